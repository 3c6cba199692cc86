import { num, OPEN, other, type PartKind } from './part-kind';
import { even, inBand } from './severity';

/** The building's line supply: a stiff source behind the impedance of its wiring. */
export const supply: PartKind = {
  name: 'supply',
  title: 'line supply',
  fields: {
    volts: { type: 'voltage', default: 120, tolerance: 0.02 },
    ohms: { type: 'resistance', default: 0.3 },
    /** Share of its volts that is left when it sags. */
    'sags-to': { type: 'none', default: 1 },
    'on-when': { type: 'expression', default: 'true' },
  },
  branches: () => [''],
  states: ['off', 'on'],
  modes: () => [
    { id: 'dead', words: 'is dead: breaker, fuse or wiring', relativeRate: 2, repair: 'repair' },
    // 70 to 108 V of 120 (common practice, no source).
    ...inBand(
      { id: 'low', words: 'sags far below its rating', relativeRate: 0.5, repair: 'repair' },
      [even(0.58, 0.9, 5)],
      (left) => ({ values: { 'sags-to': left }, left }),
    ),
    other(0.1),
  ],
  electrical: (spec, state, fault) => {
    if (state === 'off' || fault === 'dead') return OPEN;
    const volts = num(spec, 'volts') * num(spec, 'sags-to');
    return { type: 'source', volts, r: num(spec, 'ohms'), x: 0 };
  },
  move: (view) => {
    const to = view.holds('on-when') ? 'on' : 'off';
    return to === view.state ? undefined : { to, after: 0 };
  },
  // 110 to 126 V where 120 V is meant (common practice, no source).
  feeds: (spec) => ({ volts: num(spec, 'volts'), frequency: 'ac', sound: { low: 0.917, high: 1.05 } }),
  deadTests: () => [],
  drawnAlone: false,
  role: () => 'source',
  symbol: () => 'source',
};
