import { INCH_OF_WATER } from './factors';
import type { InstrumentOfABag } from './uncertainty';
import type { Zones } from './zones';

/** What is read in a component test: with which instrument, and what it may be. SI. */
export interface Limit extends Zones {
  readonly title: string;
  readonly instrument: InstrumentOfABag;
  /** How far the part's own first good value narrows what is good, a share of it. */
  readonly own?: number;
}

const inches = (good: readonly [number?, number?], marginal: readonly [number?, number?]): Zones => ({
  good: zone(good, INCH_OF_WATER),
  marginal: zone(marginal, INCH_OF_WATER),
});
const between = (good: readonly [number?, number?], marginal: readonly [number?, number?], unit = 1): Zones => ({
  good: zone(good, unit),
  marginal: zone(marginal, unit),
});

function zone([from, to]: readonly [number?, number?], unit: number): Zones['good'] {
  return { ...(from !== undefined && { from: from * unit }), ...(to !== undefined && { to: to * unit }) };
}

/** Shares of a book value, as zones about it. */
export const ofBook = (book: number, good: number, marginal: number, below = marginal): Zones =>
  between([book * (1 - good), book * (1 + good)], [book * (1 - below), book * (1 + marginal)]);

/**
 * Limits of component tests where neither plate nor shop has others. Common practice, no source, where none is named; `own` is
 * chosen by us.
 */
export const LIMITS = {
  'igniter-carbide': {
    title: 'silicon carbide igniter, cold',
    instrument: 'ohms',
    own: 0.2,
    ...between([40, 90], [35, 110]),
  },
  'igniter-carbide-dryer': {
    title: 'igniter of a dryer, cold',
    instrument: 'ohms',
    own: 0.2,
    ...between([50, 400], [40, 500]),
  },
  'igniter-nitride': {
    title: 'silicon nitride igniter, cold',
    instrument: 'ohms',
    own: 0.2,
    ...between([11, 18], [9, 22]),
  },
  'igniter-24v': { title: '24 V igniter', instrument: 'ohms', own: 0.2, ...between([3, 6], [2.5, 8]) },
  'igniter-carbide-amps': {
    title: 'silicon carbide igniter, glowing, at 120 V',
    instrument: 'clamp',
    own: 0.1,
    ...between([3, 5], [2.5, 5.5]),
  },
  'flame-signal': { title: 'flame signal', instrument: 'microamps', own: 0.2, ...between([1, 12], [0.5, 20], 1e-6) },
  'rod-feed': { title: 'feed of the flame rod, no flame', instrument: 'volts-ac', ...between([80, 200], [60, 220]) },
  'thermocouple-open': {
    title: 'thermocouple, open',
    instrument: 'millivolts',
    own: 0.1,
    ...between([20], [17], 1e-3),
  },
  'thermocouple-loaded': {
    title: 'thermocouple, loaded',
    instrument: 'millivolts',
    own: 0.1,
    ...between([10], [8], 1e-3),
  },
  'thermopile-open': { title: 'thermopile, open', instrument: 'millivolts', own: 0.1, ...between([400], [325], 1e-3) },
  'thermopile-loaded': {
    title: 'thermopile, loaded',
    instrument: 'millivolts',
    own: 0.1,
    ...between([200], [150], 1e-3),
  },
  'coil-24v': {
    title: '24 V coil, without a book value',
    instrument: 'ohms',
    own: 0.05,
    ...between([10, 50], [10, 50]),
  },
  'coil-live': { title: 'volts at the coil, called for', instrument: 'volts-ac', ...between([20, 30], [18, 31]) },
  'stepper-pull-in': { title: 'driving volts, pulling in', instrument: 'volts-dc', ...between([20, 26], [18, 28]) },
  'stepper-hold': { title: 'driving volts, holding', instrument: 'volts-dc', ...between([14, 18], [12, 20]) },
  'drop-across-contact': {
    title: 'volts across a closed contact under load',
    instrument: 'millivolts',
    ...between([undefined, 0.1], [undefined, 0.3]),
  },
  'transformer-idle': {
    title: '24 V secondary, idle, at the plate’s primary',
    instrument: 'volts-ac',
    ...between([23, 29.5], [22, 30.5]),
  },
  'transformer-loaded': {
    title: '24 V secondary, all on, at the plate’s primary',
    instrument: 'volts-ac',
    ...between([22, 28.5], [20, 30]),
  },
  line: { title: 'line, burner running', instrument: 'volts-ac', ...between([110, 126], [108, 132]) },
  'neutral-to-ground': {
    title: 'neutral to ground',
    instrument: 'volts-ac',
    ...between([undefined, 2], [undefined, 5]),
  },
  'natural-inlet': { title: 'natural gas, inlet', instrument: 'manometer', own: 0.1, ...inches([5, 10.5], [5, 14]) },
  'natural-manifold': {
    title: 'natural gas, manifold',
    instrument: 'manometer',
    own: 0.1,
    ...inches([3.2, 3.8], [3, 4]),
  },
  'propane-inlet': {
    title: 'propane, inlet, running',
    instrument: 'manometer',
    own: 0.1,
    ...inches([10.5, 13], [9.5, 14]),
  },
  'propane-manifold': {
    title: 'propane, manifold',
    instrument: 'manometer',
    own: 0.1,
    ...inches([9.5, 10.5], [9, 11]),
  },
  'let-by': {
    title: 'outlet pressure behind the closed valve',
    instrument: 'manometer',
    unsafe: 'high',
    ...inches([undefined, 0.05], [undefined, 0.05]),
  },
  'spark-gap': { title: 'spark gap', instrument: 'ohms', ...between([2.8, 3.6], [1.6, 5.2], 1e-3) },
  'spark-gap-eighth': {
    title: 'spark gap, a shop that takes an eighth of an inch',
    instrument: 'ohms',
    ...between([2.8, 3.6], [1.6, 3.6], 1e-3),
  },
  'rod-to-ground': { title: 'flame rod to ground, dry', instrument: 'ohms', ...between([1e6], [1e6]) },
  'magnet-let-go': {
    title: 'millivolts at which the magnet lets go',
    instrument: 'millivolts',
    ...between([undefined, 6], [undefined, 10], 1e-3),
  },
  // EN 125, from memory; the older ones: common practice, no source.
  'drop-out-en': {
    title: 'drop-out time',
    instrument: 'stopwatch',
    unsafe: 'high',
    ...between([undefined, 60], [undefined, 60]),
  },
  'drop-out-older': {
    title: 'drop-out time, older control',
    instrument: 'stopwatch',
    ...between([undefined, 90], [undefined, 180]),
  },
  'coil-redundant': {
    title: 'coil of a common redundant valve',
    instrument: 'ohms',
    own: 0.05,
    ...between([12, 18], [10, 22]),
  },
  'dryer-coil': {
    title: 'dryer coil, without a book value',
    instrument: 'ohms',
    own: 0.05,
    ...between([500, 2000], [400, 2400]),
  },
  'dryer-coil-live': {
    title: 'volts at a dryer coil beside its line',
    instrument: 'volts-ac',
    ...between([0.95, 1.05], [0.9, 1.1]),
  },
  'stepper-deviation': {
    title: 'half-winding beside the others',
    instrument: 'ohms',
    ...between([undefined, 0.05], [undefined, 0.05]),
  },
  'contact-lenient': {
    title: 'closed contact, ohms',
    instrument: 'ohms',
    ...between([undefined, 1], [undefined, 2]),
  },
  'contact-strict': {
    title: 'closed contact, ohms, strict',
    instrument: 'ohms',
    ...between([undefined, 0.1], [undefined, 0.2]),
  },
  'draft-margin': {
    title: 'draft beside what closes the switch',
    instrument: 'manometer',
    ...between([1.1, 1.8], [1, 2.2]),
  },
  'va-budget': {
    title: 'load of the transformer beside its plate',
    instrument: 'clamp',
    ...between([undefined, 0.8], [undefined, 1]),
  },
  'line-240': { title: 'line of 240 V, burner running', instrument: 'volts-ac', ...between([220, 252], [216, 264]) },
  'start-dip': {
    title: 'fall of the line as the blower starts',
    instrument: 'volts-ac',
    ...between([undefined, 0.05], [undefined, 0.1]),
  },
  'natural-fall': {
    title: 'natural gas, fall from static to all on',
    instrument: 'manometer',
    ...inches([undefined, 0.5], [undefined, 1]),
  },
  'propane-lock-up': {
    title: 'propane, lock-up',
    instrument: 'manometer',
    unsafe: 'high',
    ...inches([10.5, 14], [9.5, 14]),
  },
  // A tight pipe does not fall; what may be the gauge's is chosen by us (class of NFPA 1192, from memory).
  'leak-down': {
    title: 'corrected fall in three minutes',
    instrument: 'manometer',
    unsafe: 'high',
    ...inches([undefined, 0.2], [undefined, 0.2]),
  },
  'element-share': {
    title: 'element beside its plate',
    instrument: 'ohms',
    own: 0.05,
    ...between([0.9, 1.2], [0.8, 1.3]),
  },
  'element-to-sheath': { title: 'element to its sheath', instrument: 'ohms', ...between([1e6], [50e3]) },
  'branch-behind-fuse': {
    title: 'branch behind a fuse, without a book value',
    instrument: 'ohms',
    ...between([8], [5]),
  },
  'motor-share': {
    title: 'current beside the plate of the motor',
    instrument: 'clamp',
    ...between([undefined, 1], [undefined, 1.1]),
  },
  'drop-per-joint': {
    title: 'volts lost in a joint under load',
    instrument: 'millivolts',
    ...between([undefined, 0.1], [undefined, 0.3]),
  },
  // NEC, note on voltage drop, from memory.
  'drop-of-run': {
    title: 'volts lost out and back, share of the supply',
    instrument: 'volts-ac',
    ...between([undefined, 0.03], [undefined, 0.05]),
  },
  'burner-to-control': {
    title: 'burner ground to control ground, firing',
    instrument: 'millivolts',
    ...between([undefined, 0.1], [undefined, 0.1]),
  },
  // Air-free carbon monoxide: 100 ppm common practice, no source; 400 ppm ANSI Z21, from memory.
  'carbon-monoxide': {
    title: 'air-free carbon monoxide',
    instrument: 'manometer',
    ...between([undefined, 100], [undefined, 400], 1e-6),
  },
  'rate-of-plate': {
    title: 'firing rate beside the plate',
    instrument: 'stopwatch',
    ...between([0.95, 1.05], [0.9, 1.1]),
  },
  'board-12v': {
    title: '12 V at the board, blower running',
    instrument: 'volts-dc',
    ...between([10.5, 14.8], [10, 15.5]),
  },
} as const satisfies Readonly<Record<string, Limit>>;
