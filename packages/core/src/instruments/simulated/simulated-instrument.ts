import type { Model } from '../../profile';
import type { Now, Random } from '../../simulation';
import { findUnit, type Millis } from '../../units';
import { type FunctionId, factsOf, functionsOf, type InstrumentKind } from '../functions';
import type { Display } from '../display';
import type { InstrumentCard } from '../protocol';
import type { Place } from './place';
import { type Flue, type Truth, truthOf } from './truth';

/** A range of a display: up to so much, in steps of the last digit; in the unit it is shown in. */
interface Range {
  readonly unit: string;
  readonly to: number;
  readonly step: number;
}

const range = (unit: string, to: number, step: number): Range => ({ unit, to, step });

/** Of instruments of the usual class with 6000 counts (common practice, no source). */
const RANGES: Readonly<Record<FunctionId, readonly Range[]>> = {
  'v-ac': [range('V', 6, 0.001), range('V', 60, 0.01), range('V', 600, 0.1)],
  'v-ac-low': [range('V', 600, 0.1)],
  'v-dc': [range('V', 6, 0.001), range('V', 60, 0.01), range('V', 600, 0.1)],
  'mv-dc': [range('mV', 600, 0.1)],
  ohms: [
    range('Ω', 600, 0.1),
    range('kΩ', 6, 0.001),
    range('kΩ', 60, 0.01),
    range('kΩ', 600, 0.1),
    range('MΩ', 6, 0.001),
    range('MΩ', 60, 0.01),
  ],
  beeper: [range('Ω', 600, 0.1)],
  'ua-dc': [range('µA', 600, 0.1)],
  farads: [range('µF', 60, 0.01), range('µF', 600, 0.1)],
  'a-ac': [range('A', 60, 0.01)],
  'a-dc': [range('A', 60, 0.01)],
  pressure: [range('in w.c.', 60, 0.01), range('psi', 60, 0.01)],
  temperature: [range('°F', 900, 1)],
  oxygen: [range('%', 25, 0.1)],
  'carbon-dioxide': [range('%', 25, 0.1)],
  'carbon-monoxide': [range('ppm', 4000, 1)],
};

/** How fast a display follows what it measures: to two thirds of the way in so many milliseconds. */
const FOLLOWS_IN: Readonly<Record<InstrumentKind, Millis>> = {
  multimeter: 120,
  clamp: 200,
  manometer: 300,
  thermometer: 3000,
  analyser: 8000,
};
/** What changes within so long is shown as its mean, milliseconds. */
const MEANS_OVER: Millis = 320;
const SAMPLES = 8;
/** So long a display is blank while it looks for its range, milliseconds. */
const RANGING: Millis = 450;
/** Below this share of its end a range is left for a smaller one. */
const WELL_BELOW = 0.09;
/** One standard deviation of how instruments of the usual class lie from the truth, share. */
const GAIN: Readonly<Record<InstrumentKind, number>> = {
  multimeter: 0.004,
  clamp: 0.01,
  manometer: 0.005,
  thermometer: 0,
  analyser: 0,
};
/** The resistance of two leads and their contacts, ohms, and how it scatters from touch to touch. */
const LEADS = 0.3;
const CONTACT = 0.05;

/** A simulated instrument: it has a knob and its own probes, follows, looks for its range, flickers and picks up ghosts. */
export class SimulatedInstrument {
  readonly card: InstrumentCard;
  set: FunctionId;
  place: Place = { at: 'nowhere' };
  private readonly gain: number;
  private shown: number | undefined;
  private last: { readonly at: Millis; readonly range: number; readonly set: FunctionId } | undefined;
  private rangingUntil: Millis = -1;
  private wander = 1;
  private contact = 0;

  constructor(
    card: InstrumentCard,
    private readonly model: Model,
    private readonly random: Random,
    private readonly flue?: Flue,
  ) {
    this.card = card;
    this.set = functionsOf(card.kind)[0]!;
    this.gain = 1 + GAIN[card.kind] * random.normal();
  }

  /** Turns its knob. Throws a RangeError for a function that it has not. */
  turn(set: FunctionId): void {
    if (factsOf(set).of !== this.card.kind) throw new RangeError(`a ${this.card.kind} has no ${factsOf(set).title}`);
    this.set = set;
  }

  /** Puts it somewhere: a probe never touches twice alike. */
  put(place: Place): void {
    this.place = place;
    this.contact = CONTACT * this.random.normal();
  }

  /**
   * What it shows at a moment of its own clock. `at` tells what the appliance does so long before; the moments asked about
   * come in their order.
   */
  show(at: Millis, before: (ago: Millis) => Now): Omit<Display, 'at'> & { readonly accident: boolean } {
    const truths = Array.from({ length: SAMPLES }, (_, i) => before((i * MEANS_OVER) / SAMPLES)).map((now) =>
      truthOf(this.model, now, this.place, this.set, this.flue),
    );
    const accident = truths.some((t) => t.is === 'accident');
    const open = truths.filter((t) => t.is === 'over').length > SAMPLES / 2;
    const ranges = RANGES[this.set];
    if (open && !accident) {
      this.shown = undefined;
      this.last = undefined;
      return { ...this.dashes(ranges.length - 1), over: true, accident };
    }
    const target = this.target(truths);
    const from = this.last?.set === this.set ? this.shown : undefined;
    const follows = 1 - Math.exp(-(at - (this.last?.at ?? at)) / FOLLOWS_IN[this.card.kind]);
    const value = from === undefined ? target : from + (target - from) * follows;
    this.shown = value;
    const found = this.rangeFor(value);
    if (this.last && found !== this.last.range && found >= 0) this.rangingUntil = at + RANGING;
    this.last = { at, range: found, set: this.set };
    if (found < 0) return { ...this.dashes(ranges.length - 1), over: true, accident };
    if (at < this.rangingUntil) return { ...this.dashes(found), accident };
    const { unit, step } = ranges[found]!;
    // On a live circuit the number jumps about and means nothing.
    const flicker = (accident ? 400 : 0.6) * this.random.normal();
    const digits = Math.round(inUnit(unit, value) / step + flicker);
    return { function: this.set, value: digits * step, unit, step, over: false, accident };
  }

  /** The range that it stands on: left upwards when it is too small, and downwards well below its end; -1 beyond the last. */
  private rangeFor(value: number): number {
    const ranges = RANGES[this.set];
    const size = (of: Range): number => Math.abs(inUnit(of.unit, value));
    const fits = ranges.findIndex((of) => size(of) <= of.to);
    const now = this.last?.set === this.set ? this.last.range : -1;
    const current = ranges[now];
    return current && fits >= 0 && fits < now && size(current) > WELL_BELOW * current.to ? now : fits;
  }

  private dashes(index: number): Omit<Display, 'at'> {
    const { unit, step } = RANGES[this.set][index]!;
    return { function: this.set, value: undefined, unit, step, over: false };
  }

  /** What it moves towards, SI: the mean of what stood, with its own error, its leads, and whatever couples in. */
  private target(truths: readonly Truth[]): number {
    this.wander = Math.min(2.2, Math.max(0.4, this.wander + 0.15 * this.random.normal()));
    const values = truths.map((t) => (t.is === 'value' ? t.value : t.is === 'ghost' ? t.mean * this.wander : 0));
    const mean = values.reduce((sum, v) => sum + v, 0) / values.length;
    const dimension = factsOf(this.set).dimension;
    if (dimension === 'resistance') return mean * this.gain + Math.max(0, LEADS + this.contact);
    return mean * this.gain;
  }
}

function inUnit(unit: string, si: number): number {
  const { factor, offset = 0 } = findUnit(unit)!;
  return (si - offset) / factor;
}
