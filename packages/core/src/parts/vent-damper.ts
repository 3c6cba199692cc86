import { HOLDS, NOTHING, PULLS } from './fed';
import { CLOSED, num, ohms, OPEN, other, type PartKind, winding, time } from './part-kind';

/** A motorised vent damper: the motor opens the blade, then the end switch passes power to the burner. */
export const ventDamper: PartKind = {
  name: 'vent-damper',
  title: 'vent damper',
  fields: {
    ohms: { type: 'resistance', default: 80, tolerance: 0.06 },
    reactance: { type: 'resistance', default: 90, tolerance: 0.06 },
    'runs-at': { type: 'voltage', default: 18 },
    travel: { type: 'time', default: 12, tolerance: 0.12 },
  },
  branches: () => ['motor', 'end-switch'],
  states: ['shut', 'part', 'open'],
  modes: () => [
    { id: 'motor-open', words: 'has an open motor winding', relativeRate: 1, repair: 'replace' },
    { id: 'blade-stuck', words: 'is fed but its blade is stuck shut', relativeRate: 1, repair: 'replace' },
    { id: 'part-open', words: 'opens its blade part of the way and no further', relativeRate: 0.4, repair: 'replace' },
    {
      id: 'held-open',
      words: 'is held open by its manual lever: the motor never turns and the end switch does not make',
      relativeRate: 0.3,
      repair: 'correct',
    },
    {
      id: 'held-on',
      words: 'stands on its hold-open switch: the end switch is made all the time, with or without a call',
      relativeRate: 0.15,
      repair: 'correct',
    },
    { id: 'end-switch-open', words: 'opens, but its end switch does not pass', relativeRate: 1.2, repair: 'replace' },
    other(0.15),
  ],
  electrical: (spec, state, fault, branch, frequency) => {
    if (branch === 'end-switch') {
      if (fault === 'held-on') return CLOSED;
      return state === 'open' && fault !== 'end-switch-open' ? CLOSED : OPEN;
    }
    if (fault === 'motor-open') return OPEN;
    return ohms(num(spec, 'ohms'), frequency === 'ac' ? num(spec, 'reactance') : 0);
  },
  // What holds the blade part of the way leaves it half driven.
  drive: ({ spec, fault, volts }) => {
    const still = ['blade-stuck', 'held-open', 'held-on', 'motor-open'].includes(fault ?? '');
    if (still || volts('motor') < num(spec, 'runs-at')) return NOTHING;
    return fault === 'part-open' ? HOLDS : PULLS;
  },
  move: ({ state, spec, drive }) => {
    const travel = time(spec, 'travel');
    if (state === 'shut' && drive === PULLS) return { to: 'open', after: travel };
    if (state === 'shut' && drive === HOLDS) return { to: 'part', after: travel };
    if (state !== 'shut' && drive === NOTHING) return { to: 'shut', after: travel };
    return undefined;
  },
  actsAt: (spec) => num(spec, 'runs-at'),
  deadTests: (spec) => [winding('motor', 'motor winding', num(spec, 'ohms'))],
  poorly: { branch: 'end-switch', instead: 'end-switch-open' },
  role: (branch) => (branch === 'motor' ? 'consumer' : 'contact'),
  symbol: (branch) => (branch === 'motor' ? 'motor' : 'contact'),
};
