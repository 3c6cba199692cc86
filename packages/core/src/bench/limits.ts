import type { INSTRUMENTS_OF_A_BAG } from './uncertainty';
import type { Zones } from './zones';

/** What is read in a component test: with which instrument, and what it may be. SI. */
export interface Limit extends Zones {
  readonly title: string;
  readonly instrument: keyof typeof INSTRUMENTS_OF_A_BAG;
  /** How far the part's own first good value narrows what is good, a share of it. */
  readonly own?: number;
}

const INCH_OF_WATER = 249.089;
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
export const ofBook = (book: number, good: number, marginal: number): Zones =>
  between([book * (1 - good), book * (1 + good)], [book * (1 - marginal), book * (1 + marginal)]);

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
  'board-12v': {
    title: '12 V at the board, blower running',
    instrument: 'volts-dc',
    ...between([10.5, 14.8], [10, 15.5]),
  },
} as const satisfies Readonly<Record<string, Limit>>;
