import { num, ohms, OPEN, other, type PartKind } from './part-kind';

/**
 * The power unit of a pilot safety: a magnet that a thermocouple can hold but not pull in. A hand pushes it in; it lets
 * go when the millivolts are gone, and then neither pilot nor main gas flows.
 */
export const pilotMagnet: PartKind = {
  name: 'pilot-magnet',
  title: 'pilot magnet',
  fields: {
    ohms: { type: 'resistance', default: 0.02, tolerance: 0.06 },
    'lets-go-at': { type: 'voltage', default: 0.006 },
    /** When a hand pushes it in. */
    'pushed-when': { type: 'expression' },
  },
  branches: () => [''],
  states: ['released', 'held'],
  starts: 'held',
  lasting: () => ['released'],
  modes: () => [
    { id: 'lets-go', words: 'lets go though the millivolts are good', relativeRate: 1.2, repair: 'replace' },
    { id: 'open', words: 'has an open winding', relativeRate: 0.4, repair: 'replace' },
    other(0.1),
  ],
  electrical: (spec, _state, fault) => (fault === 'open' ? OPEN : ohms(num(spec, 'ohms'))),
  drive: ({ spec, fault, volts }) => Number(fault === undefined && volts('') >= num(spec, 'lets-go-at')),
  move: (view) => {
    const pushed = view.holds('pushed-when');
    if (view.state === 'released' && pushed) return { to: 'held', after: 100 };
    if (view.state === 'held' && !pushed && !view.drive) return { to: 'released', after: 1000 };
    return undefined;
  },
  actsAt: (spec) => num(spec, 'lets-go-at'),
  deadTests: (spec) => [{ branch: '', title: 'magnet winding', low: 0, high: Math.max(1, num(spec, 'ohms') * 2) }],
  role: () => 'consumer',
  symbol: () => 'coil',
  safety: () => 'pilot-magnet',
};
