import { type Electrical, num, OPEN, other, type PartKind, time } from './part-kind';

/**
 * A thermocouple in the pilot flame: millivolts that come up and go down with a delay, behind a few hundredths of an ohm.
 * 25 mV and more open-circuit is strong, 20 mV the working minimum (common practice, no source).
 */
export const thermocouple: PartKind = {
  name: 'thermocouple',
  title: 'thermocouple',
  fields: {
    /** How much of the tip the flame covers, 0 to 1. */
    senses: { type: 'quantity' },
    volts: { type: 'voltage', default: 0.029, tolerance: 0.07 },
    ohms: { type: 'resistance', default: 0.02, tolerance: 0.06 },
    'weak-volts': { type: 'voltage', default: 0.01, tolerance: 0.08 },
    /** What a bad joint where it screws in adds. */
    'loose-ohms': { type: 'resistance', default: 0.25 },
    'heat-up': { type: 'time', default: 35, tolerance: 0.15 },
    'cool-down': { type: 'time', default: 40, tolerance: 0.15 },
  },
  branches: () => [''],
  states: ['cold', 'grazed', 'hot'],
  starts: 'hot',
  modes: () => [
    { id: 'weak', words: 'is worn: too few millivolts in a good flame', relativeRate: 3, repair: 'replace' },
    { id: 'open', words: 'is open inside', relativeRate: 1, repair: 'replace' },
    { id: 'loose', words: 'is loose or dirty where it screws in', relativeRate: 0.8, repair: 'reconnect' },
    other(0.1),
  ],
  electrical: (spec, state, fault): Electrical => {
    if (fault === 'open') return OPEN;
    const full = num(spec, fault === 'weak' ? 'weak-volts' : 'volts');
    const volts = state === 'cold' ? 0 : state === 'grazed' ? 0.35 * full : full;
    return { type: 'source', volts, r: num(spec, 'ohms') + (fault === 'loose' ? num(spec, 'loose-ohms') : 0), x: 0 };
  },
  move: (view) => {
    const covered = view.sensed('senses');
    const to = covered >= 0.8 ? 'hot' : covered >= 0.3 ? 'grazed' : 'cold';
    if (to === view.state) return undefined;
    const warmer = to === 'hot' || (to === 'grazed' && view.state === 'cold');
    return { to, after: time(view.spec, warmer ? 'heat-up' : 'cool-down') };
  },
  thresholds: () => [
    { field: 'senses', value: 0.3 },
    { field: 'senses', value: 0.8 },
  ],
  yields: true,
  judgedOpenCircuit: true,
  feeds: (spec) => ({ volts: num(spec, 'volts'), frequency: 'dc' }),
  deadTests: () => [],
  role: () => 'source',
  symbol: () => 'source',
};
