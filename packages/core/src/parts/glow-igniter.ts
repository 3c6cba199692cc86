import { actsWhileFed } from './fed';
import { num, ohms, OPEN, other, type PartKind, time } from './part-kind';
import { factors, inBand } from './severity';

/**
 * A hot-surface igniter. `cold-ohms` above `hot-ohms` is a negative temperature coefficient (silicon carbide), below it
 * a positive one (nitride): the sign belongs to the fitted part.
 */
export const glowIgniter: PartKind = {
  name: 'glow-igniter',
  title: 'glow igniter',
  fields: {
    'cold-ohms': { type: 'resistance', tolerance: 0.08 },
    'hot-ohms': { type: 'resistance', tolerance: 0.08 },
    'low-ohms': { type: 'resistance' },
    'high-ohms': { type: 'resistance' },
    /** How many times its ohms when new. */
    aged: { type: 'none', default: 1 },
    'glows-at': { type: 'voltage', default: 95 },
    'heat-up': { type: 'time', default: 8, tolerance: 0.1 },
  },
  branches: () => [''],
  states: ['cold', 'glowing'],
  modes: () => [
    { id: 'open', words: 'is cracked: open', relativeRate: 4, repair: 'replace' },
    // 1.2 to 4 times its new value (common practice, no source).
    ...inBand(
      {
        id: 'weak',
        words: 'is aged: too many ohms cold, glows dull and too cool to light gas',
        relativeRate: 0.8,
        repair: 'replace',
      },
      [factors(1.2, 1.6, 1, 0.15), factors(1.6, 4, 5, 0.85)],
      (times) => ({ values: { aged: times }, left: times }),
    ),
    other(0.15),
  ],
  electrical: (spec, state, fault, _branch, frequency) => {
    if (fault === 'open') return OPEN;
    const hot = state === 'glowing' && frequency === 'ac';
    return ohms((hot ? num(spec, 'hot-ohms') : num(spec, 'cold-ohms')) * num(spec, 'aged'));
  },
  drive: ({ spec, fault, volts }) => Number(fault !== 'open' && volts('') >= num(spec, 'glows-at')),
  move: (view) => actsWhileFed(view, { to: 'glowing', after: time(view.spec, 'heat-up') }, { to: 'cold', after: 6000 }),
  actsAt: (spec) => num(spec, 'glows-at'),
  deadTests: (spec) => [
    { branch: '', title: 'element, cold', low: num(spec, 'low-ohms'), high: num(spec, 'high-ohms'), as: 'igniter' },
  ],
  clamped: true,
  role: () => 'consumer',
  symbol: () => 'igniter',
};
