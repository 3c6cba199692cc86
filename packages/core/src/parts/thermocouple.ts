import { type Electrical, num, OPEN, other, type PartKind, time } from './part-kind';
import { even, inBand } from './severity';

/** Share of the tip that the flame covers from which it warms it at all, and from which it heats it fully. */
const TOUCHED = 0.3;
const WRAPPED = 0.8;
/** Flame on the tip only takes 25 to 65 % of the sound value: the warmer, the more it covers (common practice, no source). */
const GRAZED = ['grazed-1', 'grazed-2', 'grazed-3', 'grazed-4', 'grazed-5'] as const;
const GRAZED_STEP = (WRAPPED - TOUCHED) / GRAZED.length;
const [LEAST, MOST] = [0.25, 0.65];

/** A thousandth more, so that a share on a border is on its upper side however it was reckoned. */
const grazedAt = (covered: number): number =>
  Math.min(GRAZED.length - 1, Math.floor((covered - TOUCHED + 0.001) / GRAZED_STEP));

function shareIn(state: string): number {
  if (state === 'cold') return 0;
  const at = GRAZED.findIndex((g) => g === state);
  return at < 0 ? 1 : LEAST + ((at + 0.5) / GRAZED.length) * (MOST - LEAST);
}

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
    /** What a worn one still gives, as a share of a sound one. */
    'worn-to': { type: 'none', default: 1 },
    /** What a bad joint where it screws in adds. */
    'loose-ohms': { type: 'resistance', default: 0.25 },
    'heat-up': { type: 'time', default: 35, tolerance: 0.15 },
    'cool-down': { type: 'time', default: 40, tolerance: 0.15 },
  },
  branches: () => [''],
  states: ['cold', ...GRAZED, 'hot'],
  starts: 'hot',
  modes: () => [
    // 0 to 19 mV of 29 open-circuit; most are about half way (common practice, no source).
    ...inBand(
      { id: 'weak', words: 'is worn: too few millivolts in a good flame', relativeRate: 3, repair: 'replace' },
      [even(0.02, 0.2, 1, 0.15), even(0.2, 0.5, 3, 0.6), even(0.5, 0.65, 2, 0.25)],
      (left) => ({ values: { 'worn-to': left }, left }),
    ),
    { id: 'open', words: 'is open inside', relativeRate: 1, repair: 'replace' },
    { id: 'loose', words: 'is loose or dirty where it screws in', relativeRate: 0.8, repair: 'reconnect' },
    other(0.1),
  ],
  electrical: (spec, state, fault): Electrical => {
    if (fault === 'open') return OPEN;
    const volts = num(spec, 'volts') * num(spec, 'worn-to') * shareIn(state);
    return { type: 'source', volts, r: num(spec, 'ohms') + (fault === 'loose' ? num(spec, 'loose-ohms') : 0), x: 0 };
  },
  move: (view) => {
    const covered = view.sensed('senses');
    const to = covered >= WRAPPED ? 'hot' : covered >= TOUCHED ? GRAZED[grazedAt(covered)]! : 'cold';
    if (to === view.state) return undefined;
    const warmer = shareIn(to) > shareIn(view.state);
    return { to, after: time(view.spec, warmer ? 'heat-up' : 'cool-down') };
  },
  thresholds: () =>
    [...GRAZED.map((_, i) => TOUCHED + i * GRAZED_STEP), WRAPPED].map((value) => ({ field: 'senses', value })),
  yields: true,
  judgedOpenCircuit: true,
  // 22 to 38 mV open-circuit in a good flame (common practice, no source).
  feeds: (spec) => ({ volts: num(spec, 'volts'), frequency: 'dc', sound: { low: 0.76, high: 1.31 } }),
  deadTests: () => [],
  role: () => 'source',
  symbol: () => 'source',
};
