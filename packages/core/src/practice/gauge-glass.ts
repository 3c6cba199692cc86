import type { Model } from '../profile';
import { kindOf, type Question } from '../question';
import type { Lived } from '../simulation';

/** What the rules may know of a gauge glass that has water at its line. */
const AT_THE_LINE = 'line';

/** How the water stands in a machine’s gauge glass; nothing where it has none. */
export function glassOf(model: Model, lived: Lived): 'line' | 'empty' | undefined {
  const look = model.looks.findIndex(({ answers }) =>
    answers.some(({ means }) => means.some((m) => m.fact === 'glass')),
  );
  if (look < 0) return undefined;
  const question: Question = { kind: 'look', look };
  const is = kindOf(question).predict(model, lived, question);
  const answer = is.kind === 'choice' ? model.looks[look]!.answers[is.answer] : undefined;
  return answer?.means.some((m) => m.fact === 'glass' && m.value === AT_THE_LINE) ? 'line' : 'empty';
}
