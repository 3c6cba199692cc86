import type { Model } from '../profile';
import type { Scale } from './fit';
import type { Prediction } from './prediction';
import { kindOf, type Question } from './question-kinds';

/** Top of the scale of a question: what blunders are spread over. */
export function scaleOf(model: Model, question: Question, predictions: readonly Prediction[]): Scale {
  const top = Math.max(
    0,
    ...predictions.map((p) => (p.kind === 'number' ? Math.max(1.5 * p.value, p.reach?.high ?? 0) : 0)),
  );
  const floor = kindOf(question).numberError?.(model, question).floor ?? 0;
  return { top: Math.max(top, floor * 10) };
}
