import { deadTestsIn } from '../../parts';
import { ASSUMED } from '../../standards';
import type { Reading } from '../../units';
import { answered, type AnswerForm } from '../answer-form';
import { bodyOf, branchName, judgedFields, name, readingFields } from '../body-fields';
import { coarseOhms, fitOhms, ohmsRead, reportOhms, sameOhms } from '../fit-ohms';
import { NOTHING_MORE } from '../messages';
import { observed, problem } from '../named';
import type { QuestionKind } from '../question-kind';
import { namedPassage, type Passage, predictDead } from './passage';
import { caseReading } from './readings';
import * as t from '@sinclair/typebox';

/** A dead test: power off, the part isolated. */
export interface OhmsQuestion extends Passage {
  readonly kind: 'ohms';
}
export interface OhmsObservation extends OhmsQuestion {
  readonly reading: Reading;
  /** It was corrected for leads and warmth: half of the interval in which it lies, ohms. */
  readonly u?: number;
}

const body = bodyOf('ohms', { part: name, branch: t.Optional(branchName), ...readingFields, ...judgedFields });

const DIMENSION = 'resistance';

/** One more winding of a part that is isolated already. */
const ONE_MORE_MINUTES = 0.5;

/** How the terminals of a contact are marked. */
const CONTACT_TERMINALS: ReadonlySet<string> = new Set(['com', 'no', 'nc']);

const formOf = (part: string, branch: string | undefined): AnswerForm => ({
  kind: 'reading',
  dimension: DIMENSION,
  subject: { type: 'ohms', part, ...(branch === undefined ? {} : { branch }) },
});

export const ohms: QuestionKind<OhmsQuestion, OhmsObservation, typeof body> = {
  kind: 'ohms',
  weighs: 'reading',
  body,
  key: (model, q) => `ohms ${model.parts[q.part]!.id}${q.branch === '' ? '' : `.${q.branch}`}`,
  answers: () => [],
  offers: (model) =>
    model.parts.flatMap((part) =>
      deadTestsIn(part, DIMENSION).map((dead) => ({
        question: { kind: 'ohms', part: part.index, branch: dead.branch } as const,
        minutes: part.minutes,
        line: false,
        walk: 'dead' as const,
        afterwards: ONE_MORE_MINUTES,
      })),
    ),
  cost: (model, q) => ({ minutes: model.parts[q.part]!.minutes, line: false }),
  deadTest: (model, q) => deadTestsIn(model.parts[q.part]!, DIMENSION).find((d) => d.branch === q.branch),
  preparation: (model, q) => `isolated ${model.parts[q.part]!.id}`,
  probing: (model, q) => (model.parts[q.part]!.kind.mayOpenRightly ? 'dead-ohms' : undefined),
  cautions: (model, q) => ({ applies: ['ohms'], own: model.parts[q.part]!.caution }),
  predict: predictDead,
  fit: (_model, o, prediction) => ({ ...fitOhms(o.reading, prediction, o.u), blunder: ASSUMED.misreadOhms }),
  place: (p) => (p.kind === 'ohms' ? Math.min(p.ohms, 1e12) : 3e6),
  sameOutcome: () => sameOhms,
  coarse: (_model, _q, p) => coarseOhms(p),
  observe: (_model, q, p) => (p.kind === 'ohms' ? { ...q, reading: ohmsRead(p.ohms) } : undefined),
  report: (_model, { observation, truth }, { random }) => ({
    ...observation,
    reading: reportOhms(observation.reading, truth, random),
  }),
  isRelevantTo: (_model, part, q) => part.index === q.part,
  subject: (model, q) => formOf(model.parts[q.part]!.id, q.branch).subject,
  form: (model, q) => formOf(model.parts[q.part]!.id, q.branch),
  read: (model, given) => {
    const at = namedPassage(model, given);
    if (typeof at === 'string') return problem(at);
    if (given.reading.dimension !== 'resistance') return problem(`a dead test is in ohms; "${given.typed}" is not`);
    return observed({
      kind: 'ohms',
      ...at,
      reading: given.reading,
      ...(given.judged && { u: given.judged.u }),
    });
  },
  readLine: ({ parts }, words) => {
    // The words stand in any order: the part, its winding where it has several, and what was read.
    const said = words.map((w) => w.toLowerCase());
    const part = said.find((w) => Object.hasOwn(parts, w));
    if (part === undefined) return undefined;
    const passages = parts[part]!;
    const terminals = said.filter((w) => CONTACT_TERMINALS.has(w));
    if (terminals.includes('nc'))
      return { ok: false, message: 'No NC contact stands on the drawing. Measure what the circuit uses: COM to NO' };
    const named = terminals.length > 0 ? 'contact' : undefined;
    const winding =
      passages.length > 1
        ? (said.find((w) => w !== part && passages.includes(w)) ?? passages.find((p) => p === named))
        : passages[0]!;
    const rest = words.filter(
      (_, i) => said[i] !== part && (passages.length === 1 || said[i] !== winding) && !CONTACT_TERMINALS.has(said[i]!),
    );
    if (winding === undefined)
      return {
        ok: false,
        message: `Which of it: ${passages.join(', ')}? Add it: ${rest.join(' ')} ${part} ${passages[0]}`,
      };
    return answered(formOf(part, winding), rest.join(' '));
  },
  readCase: (fields, value, path) => {
    const map = fields.map(value, path, '{part, value}');
    fields.only(map, path, ['part', 'branch', 'value']);
    const branch = map['branch'] === undefined ? undefined : fields.text(map, 'branch', path);
    return [caseReading(fields, map['value'], [...path, 'value'], formOf(fields.text(map, 'part', path), branch))];
  },
  asked: (model, q) => ({
    message: 'measure-dead',
    data: { part: model.parts[q.part]!.title, branch: q.branch, dimension: DIMENSION },
  }),
  title: (model, q) => ({
    message: 'dead',
    data: { part: model.parts[q.part]!.title, branch: q.branch, dimension: DIMENSION },
  }),
  observed: (model, o) => ({
    message: 'read',
    data: { title: ohms.title(model, o), reading: o.reading, dial: {} },
  }),
  expected: (_model, _q, p) =>
    p.kind === 'ohms'
      ? { message: 'ohms', data: { ohms: p.ohms, atTimes: p.shorter?.value } }
      : { message: 'never', data: NOTHING_MORE },
};
