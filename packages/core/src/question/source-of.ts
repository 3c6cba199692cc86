import type { Model, NetIndex } from '../profile';
import { type FitAt, fitVoltsAt } from './fit-volts';
import type { Prediction } from './prediction';
import type { Observation, Question } from './question-kinds';
import { voltsRangeOf } from './volts-range';

/** What feeds the wires of a reading in volts, by index; -1 for what is none, or joins two that are not fed by one. */
export function sourceOf({ sourceOf: of, ground }: Model, question: Question): number {
  if (question.kind !== 'volts') return -1;
  const [red, black] = [question.red, question.black].map((net) => (net === ground ? undefined : of[net]!));
  return red === undefined ? (black ?? -1) : black === undefined || black === red ? red : -1;
}

/** How a reading of a source sits with a prediction, wherever the source stands; nothing where that makes no difference. */
export const fitAtSource = (model: Model, o: Observation, p: Prediction): FitAt | undefined =>
  o.kind === 'volts' && (p.kind === 'volts' || p.kind === 'unsteady')
    ? fitVoltsAt(o.reading, p, voltsRangeOf(model, o))
    : undefined;

/** Whether both probes stand on the terminals of the line itself: of a source that nothing else feeds. */
export const readsLine = (
  { sources, parts }: Model,
  { red, black }: { readonly red: NetIndex; readonly black: NetIndex },
): boolean =>
  sources.some(
    (source) =>
      source.parent === undefined &&
      source.parts.some((part) =>
        parts[part]!.branches.some(({ a, b }) => (a === red && b === black) || (a === black && b === red)),
      ),
  );
