import { unknownName } from '../profile';
import { type Dimension, type Parsed, parseReading } from '../units';
import type { OptionMessage } from './messages';

/** The body of an entry without its answer: its type, and what it is about. */
export type Subject = { readonly type: string } & Readonly<Record<string, string | number | undefined>>;

/** One answer to choose, and what is said of it. */
interface Option {
  readonly id: string;
  readonly says: OptionMessage;
}

/** How the answer to a question is given: by typing a reading or by choosing. Plain data: a page fills it in by itself. */
export type AnswerForm =
  | {
      readonly kind: 'reading';
      readonly dimension: Dimension;
      readonly subject: Subject;
      /** What the instrument is set to, where a bare number is not in the first unit of its dimension. */
      readonly unit?: 'mV';
    }
  | {
      readonly kind: 'choice';
      /** The field of the body that takes the id of the choice. */
      readonly field: string;
      readonly options: readonly Option[];
      readonly subject: Subject;
    };

/** As much of a form as it takes to fill it in. */
type FilledIn =
  | Extract<AnswerForm, { kind: 'reading' }>
  | (Omit<Extract<AnswerForm, { kind: 'choice' }>, 'options'> & {
      readonly options: readonly { readonly id: string }[];
    });

/**
 * The body of an entry, with its answer filled in: what was typed, or the id of what was chosen. The one place where typed
 * text becomes a reading.
 */
export function answered<B>(form: FilledIn, given: string): Parsed<B> {
  if (form.kind === 'choice') {
    const known = form.options.some((o) => o.id === given);
    if (!known)
      return {
        ok: false,
        message: unknownName(
          'answer',
          given,
          form.options.map((o) => o.id),
        ),
      };
    return { ok: true, value: { ...form.subject, [form.field]: given } as B };
  }
  const bare = /^[\d\s.,–-]*\d$/.test(given.trim());
  const parsed = parseReading(form.unit !== undefined && bare ? `${given} ${form.unit}` : given, form.dimension);
  if (!parsed.ok) return parsed;
  return { ok: true, value: { ...form.subject, reading: parsed.value, typed: given.trim() } as B };
}
