import type { Level, Model, NetIndex } from '../profile';
import { ASSUMED, DEAD_MILLIVOLT_SHARE, DEAD_VOLTS } from '../standards';

/** What a voltmeter does in one part of the circuit, volts. */
export interface VoltsRange {
  /** Blunders are spread up to here. */
  readonly top: number;
  /** Smallest error of the display. */
  readonly floor: number;
  /** Below this a wire is called dead; strays have this mean. */
  readonly dead: number;
  readonly stray: number;
  /** Mean of what couples into a floating probe. */
  readonly ghost: number;
}

type Pair = { readonly red: NetIndex; readonly black: NetIndex };

/** The level of a reading: the higher one of its two nets. */
export function levelOf(model: Model, q: Pair): Level {
  const levels = [q.red, q.black].filter((n) => n !== model.ground).map((n) => model.levels[n]!);
  return levels.includes('line') ? 'line' : levels.includes('control') ? 'control' : (levels[0] ?? 'control');
}

/** What to expect of the meter between two nets: the rated volts of their source set the scale of thermocouples and 240 V. */
export function voltsRangeOf(model: Model, q: Pair): VoltsRange {
  const rated = Math.max(...[q.red, q.black].filter((n) => n !== model.ground).map((n) => model.ratedVolts[n]!), 0);
  switch (levelOf(model, q)) {
    case 'line':
      return { top: Math.max(150, 1.25 * rated), floor: 0.1, dead: DEAD_VOLTS, stray: 1.5, ghost: 25 };
    case 'control':
      return { top: 30, floor: 0.1, dead: DEAD_VOLTS, stray: 1.5, ghost: 3 };
    case 'millivolt':
      return {
        top: 2 * rated,
        floor: 0.0004,
        dead: DEAD_MILLIVOLT_SHARE * rated,
        stray: 0.017 * rated,
        ghost: 0.017 * rated,
      };
  }
}

export function voltsSd(volts: number, range: VoltsRange): number {
  const meter = ASSUMED.meterShare * volts + range.floor;
  const source = ASSUMED.voltageTolerance * volts;
  return Math.sqrt(meter * meter + source * source);
}

/** Whether a wire that reads this is called dead. */
export const isDead = (volts: number, range: VoltsRange): boolean => volts < range.dead;
