import { type LineWords, waveOf } from '../question';
import type { Dimension } from '../units';
import type { FunctionId } from './functions';

/** What a reading is waited for: which functions of an instrument can show it, and what nobody takes without looking. */
export interface Wanted {
  /** Functions that can show it, the first one recommended. */
  readonly functions: readonly FunctionId[];
  /** Up to this it may be a dead wire or a probe that touches nothing, SI. */
  readonly nothing: number;
  /** Up to this it may be what couples into an open wire, SI; nothing where no wire picks up anything. */
  readonly ghost: number;
  /** What is foretold by whatever is still suspected, SI; empty where nobody foretells anything. */
  readonly foretold: readonly Span[];
}

/** From where to where, SI; `open` for OL. */
export interface Span {
  readonly low: number;
  readonly high: number;
}

/** As much of a question as says what an instrument has to be set to. */
export interface AskedOfInstrument {
  readonly dimension: Dimension;
  readonly unit?: 'mV';
  /** The points of the probes, red first; empty where it is no voltage between points. */
  readonly probes: readonly string[];
  /** A clamp round a wire, and no meter in series. */
  readonly clamp?: boolean;
  /** How often the wire goes through its jaw, which shows so many times as much; once unless it is said. */
  readonly turns?: number;
  /** A probe is on line voltage. */
  readonly line?: boolean;
  readonly foretold?: readonly Span[];
}

/** Volts that couple into an open wire beside live ones (common practice, no source). */
const GHOST_CONTROL = 15;
const GHOST_LINE = 80;
/** A display that shows less than this shows nothing, volts. */
const NOTHING_VOLTS = 0.5;
const NOTHING_MILLIVOLTS = 0.0005;

/** What is waited for when a question is asked; undefined where no instrument shows the answer. */
export function wantedOf(words: LineWords, asked: AskedOfInstrument): Wanted | undefined {
  const { dimension, unit, probes, clamp = false, turns = 1, line = false } = asked;
  const foretold = (asked.foretold ?? []).map(({ low, high }) => ({ low: low * turns, high: high * turns }));
  const of = (functions: readonly FunctionId[], nothing = 0, ghost = 0): Wanted => ({
    functions,
    nothing,
    ghost,
    foretold,
  });
  switch (dimension) {
    case 'voltage': {
      if (unit === 'mV') return of(['mv-dc'], NOTHING_MILLIVOLTS);
      const [red, black] = probes;
      if (red === undefined || black === undefined) return undefined;
      switch (waveOf(words, red, black)) {
        case 'flat':
          return of(['v-dc'], NOTHING_VOLTS);
        case 'rectified':
          return of(['v-dc', 'v-ac'], NOTHING_VOLTS);
        case 'sine':
          return of(['v-ac', 'v-ac-low'], NOTHING_VOLTS, line ? GHOST_LINE : GHOST_CONTROL);
        case 'mixed':
          return undefined;
      }
    }
    // eslint-disable-next-line no-fallthrough -- every wave returns
    case 'resistance':
      return of(['ohms']);
    case 'current':
      return clamp ? of(['a-ac', 'a-dc'], 0.02) : of(['ua-dc'], 5e-8);
    case 'capacitance':
      return of(['farads'], 1e-8);
    case 'pressure':
      return of(['pressure'], 2);
    case 'temperature':
      return of(['temperature']);
    case 'fraction':
      return of(['carbon-dioxide'], 0.002);
    default:
      return undefined;
  }
}
