import { num, OPEN, other, type PartKind } from './part-kind';

/** What is left of the rated volts when the supply sags: so little that no appliance of a type gets along with it. */
const SAGGING = 0.62;

/** The building's line supply: a stiff source behind the impedance of its wiring. */
export const supply: PartKind = {
  name: 'supply',
  title: 'line supply',
  fields: {
    volts: { type: 'voltage', default: 120, tolerance: 0.02 },
    ohms: { type: 'resistance', default: 0.3 },
    'on-when': { type: 'expression', default: 'true' },
  },
  branches: () => [''],
  states: ['off', 'on'],
  modes: () => [
    { id: 'dead', words: 'is dead: breaker, fuse or wiring', relativeRate: 2, repair: 'repair' },
    { id: 'low', words: 'sags far below its rating', relativeRate: 0.5, repair: 'repair' },
    other(0.1),
  ],
  electrical: (spec, state, fault) => {
    if (state === 'off' || fault === 'dead') return OPEN;
    const volts = num(spec, 'volts') * (fault === 'low' ? SAGGING : 1);
    return { type: 'source', volts, r: num(spec, 'ohms'), x: 0 };
  },
  move: (view) => {
    const to = view.holds('on-when') ? 'on' : 'off';
    return to === view.state ? undefined : { to, after: 0 };
  },
  feeds: (spec) => ({ volts: num(spec, 'volts'), frequency: 'ac' }),
  deadTests: () => [],
  drawnAlone: false,
  role: () => 'source',
  symbol: () => 'source',
};
