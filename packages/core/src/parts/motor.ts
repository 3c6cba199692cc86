import { HOLDS, NOTHING, PULLS } from './fed';
import { num, ohms, OPEN, other, type PartKind, type Spec, winding, time } from './part-kind';

/** Share of its reactance that a locked motor has left; an assumption. */
const LOCKED = 0.5;

const startsByCapacitor = (spec: Spec): boolean => num(spec, 'start-ohms') > 0;

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
    /** A second winding behind a run capacitor, without which it does not start; nothing for a motor that has none. */
    'start-ohms': { type: 'resistance', default: 0, tolerance: 0.06 },
    'start-reactance': { type: 'resistance', default: 0, tolerance: 0.06 },
    /** What that winding must carry for the motor to start. */
    'starts-at': { type: 'current', default: 0 },
    /** Weight of "turns too slowly"; what slowness does is the profile's physics. */
    'tired-weight': { type: 'none', default: 0 },
  },
  branches: (spec) => (startsByCapacitor(spec) ? ['main', 'start'] : ['']),
  states: ['stopped', 'running'],
  modes: (spec) => [
    { id: 'winding-open', words: 'has an open winding', relativeRate: 1, repair: 'replace' },
    ...(startsByCapacitor(spec)
      ? [{ id: 'start-open', words: 'has an open start winding', relativeRate: 0.4, repair: 'replace' } as const]
      : []),
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
  electrical: (spec, state, fault, branch, frequency) => {
    if (fault === (branch === 'start' ? 'start-open' : 'winding-open')) return OPEN;
    if (branch === 'start') return ohms(num(spec, 'start-ohms'), frequency === 'ac' ? num(spec, 'start-reactance') : 0);
    const r = num(spec, 'ohms');
    if (frequency === 'dc') return ohms(state === 'running' && num(spec, 'run-ohms') > 0 ? num(spec, 'run-ohms') : r);
    // What does not turn, though fed, draws what it draws locked.
    const locked = fault === 'seized' || (startsByCapacitor(spec) && state === 'stopped');
    return ohms(r, num(spec, 'reactance') * (locked ? LOCKED : 1));
  },
  // Once it turns it goes on turning without its start winding.
  drive: ({ spec, fault, volts, amps }) => {
    const able = fault === undefined || fault === 'tired' || fault === 'start-open';
    const [main = ''] = motor.branches(spec);
    if (!able || volts(main) < num(spec, 'runs-at')) return NOTHING;
    return startsByCapacitor(spec) && amps('start') < num(spec, 'starts-at') ? HOLDS : PULLS;
  },
  move: ({ state, spec, drive }) => {
    if (state === 'stopped' && drive === PULLS) return { to: 'running', after: time(spec, 'spin-up') };
    if (state === 'running' && drive === NOTHING) return { to: 'stopped', after: 1000 };
    return undefined;
  },
  actsAt: (spec) => num(spec, 'runs-at'),
  deadTests: (spec) =>
    startsByCapacitor(spec)
      ? [winding('main', 'main winding', num(spec, 'ohms')), winding('start', 'start winding', num(spec, 'start-ohms'))]
      : [winding('', 'winding', num(spec, 'ohms'))],
  clamped: true,
  role: () => 'consumer',
  symbol: () => 'motor',
};
