import { CLOSED, num, ohms, other, type PartKind } from './part-kind';
import { even, inBand } from './severity';

/**
 * A flame rod: an insulated electrode that the control feeds with AC. What the flame rectifies is a quantity of the
 * profile; the rod decides whether the feed arrives.
 */
export const flameRod: PartKind = {
  name: 'flame-rod',
  title: 'flame rod',
  fields: { leakage: { type: 'resistance', default: 20e6 } },
  branches: () => [''],
  states: ['idle'],
  modes: () => [
    // How much of the flame signal is left is the profile's rule; often little of the band is left, 0.05 to 0.5 of 0.9 µA.
    ...inBand(
      { id: 'dirty', words: 'is dirty: coated', relativeRate: 3, repair: 'clean' },
      [even(0, 0.56, 4, 0.8), even(0.56, 1, 2, 0.2)],
      () => ({}),
    ),
    { id: 'grounded', words: 'touches ground or has a cracked insulator', relativeRate: 0.8, repair: 'replace' },
    { id: 'displaced', words: 'stands out of the flame', relativeRate: 0.4, repair: 'correct' },
    other(0.1),
  ],
  electrical: (spec, _state, fault) => (fault === 'grounded' ? CLOSED : ohms(num(spec, 'leakage'))),
  deadTests: () => [{ branch: '', title: 'rod to ground', low: 1e6, high: Infinity, as: 'rod' }],
  role: () => 'consumer',
  symbol: () => 'rod',
  safety: () => 'flame-sensing',
};
