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
  /** How sound sources differ where it is not known how this one stands, share of the value (one standard deviation). */
  readonly spread: number;
}

type Pair = { readonly red: NetIndex; readonly black: NetIndex };

/** The level of a reading: the higher one of its two nets. */
export function levelOf(model: Model, q: Pair): Level {
  const levels = [q.red, q.black].filter((n) => n !== model.ground).map((n) => model.levels[n]!);
  return levels.includes('line') ? 'line' : levels.includes('control') ? 'control' : (levels[0] ?? 'control');
}

/** What to expect of the meter between two nets: the rated volts of their source set the scale of thermocouples and 240 V. */
export function voltsRangeOf(model: Model, q: Pair): VoltsRange {
  let ranges = known.get(model);
  if (!ranges) known.set(model, (ranges = []));
  return (ranges[q.red * model.nets.length + q.black] ??= rangeOf(model, q));
}

/** By the two nets: every likelihood asks. */
const known = new WeakMap<Model, VoltsRange[]>();

function rangeOf(model: Model, q: Pair): VoltsRange {
  const rated = Math.max(...[q.red, q.black].filter((n) => n !== model.ground).map((n) => model.ratedVolts[n]!), 0);
  const spread = spreadOf(model, sourceOfPair(model, q));
  switch (levelOf(model, q)) {
    case 'line':
      return { top: Math.max(150, 1.25 * rated), floor: 0.1, dead: DEAD_VOLTS, stray: 1.5, ghost: 25, spread };
    case 'control':
      return { top: 30, floor: 0.1, dead: DEAD_VOLTS, stray: 1.5, ghost: 3, spread };
    case 'millivolt':
      return {
        top: 2 * rated,
        floor: 0.0004,
        dead: DEAD_MILLIVOLT_SHARE * rated,
        stray: 0.017 * rated,
        ghost: 0.017 * rated,
        spread,
      };
  }
}

/** How far off a reading may be, volts: where its source is placed only by the meter and the wires. */
export function voltsSd(volts: number, range: VoltsRange, placed = false): number {
  const meter = ASSUMED.meterShare * volts + range.floor;
  const wires = ASSUMED.voltageTolerance * volts;
  return Math.hypot(meter, wires, placed ? 0 : range.spread * volts);
}

/** The source that feeds the wires between two probes; -1 where nothing does. */
const sourceOfPair = ({ sourceOf, ground }: Model, q: Pair): number => sourceOf[q.red === ground ? q.black : q.red]!;

/** How much sound sources of a kind differ, with what feeds them: the standard deviation of an even spread. */
function spreadOf({ sources }: Pick<Model, 'sources'>, source: number): number {
  if (source < 0) return 0;
  const { sound, parent } = sources[source]!;
  const own = (sound.high - sound.low) / Math.sqrt(12);
  return parent === undefined ? own : Math.hypot(own, spreadOf({ sources }, parent));
}

/** Whether a wire that reads this is called dead. */
export const isDead = (volts: number, range: VoltsRange): boolean => volts < range.dead;
