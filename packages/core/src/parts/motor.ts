import { actsWhileFed } from './fed';
import { num, ohms, OPEN, other, type PartKind, winding, time } from './part-kind';

/** A single-phase motor: inducer, blower, fan. */
export const motor: PartKind = {
  name: 'motor',
  title: 'motor',
  fields: {
    ohms: { type: 'resistance', default: 20, tolerance: 0.06 },
    reactance: { type: 'resistance', default: 60, tolerance: 0.06 },
    'runs-at': { type: 'voltage', default: 90 },
    'spin-up': { type: 'time', default: 1.5 },
    /** What a direct-current motor draws when it turns, as a resistance; at rest its winding alone counts. */
    'run-ohms': { type: 'resistance', default: 0 },
    /** Weight of "turns too slowly"; what slowness does is the profile's physics. */
    'tired-weight': { type: 'none', default: 0 },
  },
  branches: () => [''],
  states: ['stopped', 'running'],
  modes: (spec) => [
    { id: 'winding-open', words: 'has an open winding', relativeRate: 1, repair: 'replace' },
    { id: 'seized', words: 'is seized: hums or is silent, does not turn', relativeRate: 0.8, repair: 'replace' },
    ...(num(spec, 'tired-weight') > 0
      ? [
          {
            id: 'tired',
            words: 'is tired: turns too slowly',
            relativeRate: num(spec, 'tired-weight'),
            repair: 'replace',
          } as const,
        ]
      : []),
    other(0.15),
  ],
  electrical: (spec, state, fault, _branch, frequency) => {
    if (fault === 'winding-open') return OPEN;
    const r = num(spec, 'ohms');
    if (frequency === 'dc') return ohms(state === 'running' && num(spec, 'run-ohms') > 0 ? num(spec, 'run-ohms') : r);
    return ohms(r, num(spec, 'reactance') * (fault === 'seized' ? 0.5 : 1));
  },
  drive: ({ spec, fault, volts }) =>
    Number((fault === undefined || fault === 'tired') && volts('') >= num(spec, 'runs-at')),
  move: (view) =>
    actsWhileFed(view, { to: 'running', after: time(view.spec, 'spin-up') }, { to: 'stopped', after: 1000 }),
  actsAt: (spec) => num(spec, 'runs-at'),
  deadTests: (spec) => [winding('', 'winding', num(spec, 'ohms'))],
  role: () => 'consumer',
  symbol: () => 'motor',
};
