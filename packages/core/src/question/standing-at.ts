import type { Model } from '../profile';
import type { Prediction } from './prediction';
import type { Question } from './question-kinds';

/** What feeds the wires of a reading in volts, by index; -1 for what is none, or joins two that are not fed by one. */
export function sourceOf({ sourceOf: of, ground }: Model, question: Question): number {
  if (question.kind !== 'volts') return -1;
  const [red, black] = [question.red, question.black].map((net) => (net === ground ? undefined : of[net]!));
  return red === undefined ? (black ?? -1) : black === undefined || black === red ? red : -1;
}

/** A reading as it is when its source stands at a multiple of what the model says, or near it; nothing where that changes nothing. */
export function standingAt(p: Prediction, times: number, reach: number): Prediction | undefined {
  if (p.kind === 'unsteady') return { ...p, low: p.low * (times - reach), high: p.high * (times + reach) };
  if (p.kind !== 'volts') return undefined;
  const { low, high } = p.reach ?? { low: p.volts, high: p.volts };
  return {
    ...p,
    volts: p.volts * times,
    ...(p.shorter && { shorter: { ...p.shorter, value: p.shorter.value * times } }),
    reach: { low: low * (times - reach), high: high * (times + reach) },
    placed: true,
  };
}
