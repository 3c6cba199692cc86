import { actsWhileFed } from './fed';
import { num, ohms, OPEN, other, type PartKind, text } from './part-kind';

/** An electric heating element in water. Its resistance follows from its plate: R = V² / P. */
export const element: PartKind = {
  name: 'element',
  title: 'heating element',
  fields: {
    ohms: { type: 'resistance', tolerance: 0.04 },
    'heats-at': { type: 'voltage', default: 80 },
    /** The net of the tank or case, for an element that leaks. */
    sheath: { type: 'net' },
  },
  branches: () => [''],
  states: ['cold', 'heating'],
  modes: (spec) => [
    { id: 'open', words: 'is open: burnt out', relativeRate: 2.5, repair: 'replace' },
    {
      id: 'leaking',
      words: 'leaks to ground: its sheath is cracked',
      relativeRate: 0.6,
      repair: 'replace',
      shorts: { to: text(spec, 'sheath'), r: 22 },
    },
    other(0.1),
  ],
  electrical: (spec, _state, fault) => (fault === 'open' ? OPEN : ohms(num(spec, 'ohms'))),
  drive: ({ spec, fault, volts }) => Number(fault !== 'open' && volts('') >= num(spec, 'heats-at')),
  move: (view) => actsWhileFed(view, { to: 'heating', after: 200 }, { to: 'cold', after: 200 }),
  actsAt: (spec) => num(spec, 'heats-at'),
  deadTests: (spec) => [{ branch: '', title: 'element', low: num(spec, 'ohms') * 0.9, high: num(spec, 'ohms') * 1.2 }],
  clamped: true,
  role: () => 'consumer',
  symbol: () => 'load',
};
