import type { Data, Fields, Path } from '../../profile';
import { answered, type AnswerForm } from '../answer-form';

/** A reading as a case file writes it; what cannot be read becomes a problem of the file. */
export function caseReading<B>(fields: Fields, data: Data | undefined, at: Path, form: AnswerForm): B {
  const typed = typeof data === 'number' || typeof data === 'string' ? String(data) : '';
  const read = answered<B>(form, typed);
  if (read.ok) return read.value;
  fields.file.problem(at, read.message);
  const dimension = form.kind === 'reading' ? form.dimension : 'none';
  return { ...form.subject, reading: { kind: 'value', value: 0, dimension }, typed } as B;
}

/** Several of them by name: `{draft: 0.33 inwc}`. */
export const caseReadings = <B>(
  fields: Fields,
  value: Data,
  path: Path,
  what: string,
  formOf: (id: string) => AnswerForm,
): B[] =>
  Object.entries(fields.map(value, path, what)).map(([id, typed]) =>
    caseReading<B>(fields, typed, [...path, id], formOf(id)),
  );
