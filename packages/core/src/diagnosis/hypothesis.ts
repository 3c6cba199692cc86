import type { Model } from '../profile';
import type { FaultRef } from '../sequence';

/** One explanation of what is wrong. Single faults have one fault; healthy and unknown have none. */
export interface Hypothesis {
  readonly index: number;
  /** `part.mode`, or `healthy`, `unknown`. */
  readonly id: string;
  readonly kind: 'healthy' | 'fault' | 'other' | 'unknown';
  readonly faults: readonly FaultRef[];
  readonly prior: number;
  /** What would be repaired; hypotheses with the same repair need not be told apart. `none` means no repair. */
  readonly repair: string;
  /** The component that breaks the sequence: the faulty part, or the safety that a cause outside makes open. */
  readonly breaks: number | undefined;
  /** The part whose condition is the cause, when that is another part than the one that breaks the sequence. */
  readonly cause: number | undefined;
  /** A full sentence without full stop: "The gas valve has a shorted coil". */
  readonly words: string;
}

/** Weight of "nothing is broken" and of "something the model does not know", in units of fault weights. */
const HEALTHY_WEIGHT = 2;
const UNKNOWN_WEIGHT = 0.8;

export interface Weights {
  /** Multiplies the weight of a fault mode, by `part.mode`: counts from a shop's own book. */
  readonly [fault: string]: number;
}

/** All single-fault hypotheses of a model with their prior probabilities. */
export function hypothesesOf(model: Model, weights: Weights = {}): Hypothesis[] {
  const raw: (Omit<Hypothesis, 'index' | 'prior'> & { weight: number })[] = [
    {
      id: 'healthy',
      kind: 'healthy',
      faults: [],
      weight: HEALTHY_WEIGHT,
      repair: 'none',
      breaks: undefined,
      cause: undefined,
      words: 'Nothing is broken',
    },
  ];
  for (const part of model.parts)
    part.modes.forEach((mode, index) => {
      const id = `${part.id}.${mode.id}`;
      const tripped = mode.trips === undefined ? undefined : model.parts.find((p) => p.id === mode.trips)!.index;
      raw.push({
        id,
        kind: mode.other === true ? 'other' : 'fault',
        faults: [{ part: part.index, mode: index }],
        weight: mode.weight * (weights[id] ?? 1),
        repair: mode.mend === 'none' ? 'none' : repairKey(part.id, part.kind.name, mode.mend),
        breaks: mode.mend === 'none' ? undefined : (tripped ?? part.index),
        cause: tripped === undefined ? undefined : part.index,
        words: `The ${part.title} ${mode.words}`,
      });
    });
  raw.push({
    id: 'unknown',
    kind: 'unknown',
    faults: [],
    weight: UNKNOWN_WEIGHT,
    repair: 'unknown',
    breaks: undefined,
    cause: undefined,
    words: 'Something this model does not know',
  });
  const total = raw.reduce((sum, h) => sum + h.weight, 0);
  return raw.map(({ weight, ...h }, index) => ({ ...h, index, prior: weight / total }));
}

/** Pins of one connector are mended by one remake of the connector. */
function repairKey(part: string, kind: string, mend: string): string {
  return kind === 'plug-pin' ? `${part.slice(0, part.indexOf('/'))}:reconnect` : `${part}:${mend}`;
}
