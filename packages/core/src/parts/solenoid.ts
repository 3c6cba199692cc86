import { fed, NOTHING, PULLS } from './fed';
import { num, ohms, OPEN, other, type PartKind, winding, time } from './part-kind';
import { factors, inBand } from './severity';

/** Share of its reactance that is left where all turns are bridged; an assumption. */
const LEAKAGE = 0.025;

/** A gas valve or solenoid on control voltage: its coil has reactance that the ohmmeter does not see. */
export const solenoid: PartKind = {
  name: 'solenoid',
  title: 'solenoid valve',
  fields: {
    ohms: { type: 'resistance', default: 15, tolerance: 0.06 },
    reactance: { type: 'resistance', default: 45, tolerance: 0.06 },
    /** Share of its copper that is not bridged. */
    'turns-left': { type: 'none', default: 1 },
    'pull-in': { type: 'voltage', default: 18 },
    'drop-out': { type: 'voltage', default: 9 },
    /** Weight of "its coil opens when hot", and how long it takes to heat and to cool. */
    'hot-weight': { type: 'none', default: 0.2 },
    'hot-after': { type: 'time', default: 150 },
    'cools-in': { type: 'time', default: 900 },
    /** Bare coils are external parts: without a gas path of their own they cannot stick. */
    'stuck-weight': { type: 'none', default: 1.2 },
  },
  branches: () => [''],
  states: ['shut', 'open', 'coil-hot'],
  lasting: () => ['coil-hot'],
  passing: ['coil-hot'],
  modes: (spec) => [
    { id: 'coil-open', words: 'has an open coil', relativeRate: 1.5, repair: 'replace' },
    // Mostly a dead short, 0.01 to 0.03 of the book value; some turns only, up to 0.7 (common practice, no source).
    ...inBand(
      { id: 'coil-short', words: 'has a shorted coil', relativeRate: 0.8, repair: 'replace' },
      [factors(0.01, 0.03, 1, 0.6), factors(0.03, 0.7, 5, 0.4)],
      (left) => ({ values: { 'turns-left': left }, left }),
    ),
    ...(num(spec, 'stuck-weight') > 0
      ? [
          {
            id: 'stuck-shut',
            words: 'is fed but passes no gas: stuck',
            relativeRate: num(spec, 'stuck-weight'),
            repair: 'replace',
          } as const,
        ]
      : []),
    ...(num(spec, 'hot-weight') > 0
      ? [
          {
            id: 'opens-hot',
            words: 'has a coil that opens when it is hot, and works again when cool',
            relativeRate: num(spec, 'hot-weight'),
            repair: 'replace',
          } as const,
        ]
      : []),
    other(0.15),
  ],
  electrical: (spec, state, fault, _branch, frequency) => {
    if (fault === 'coil-open' || state === 'coil-hot') return OPEN;
    const left = num(spec, 'turns-left');
    // Reactance goes with the square of the turns; a burnt coil keeps some leakage though the copper is bridged.
    const reactance = num(spec, 'reactance') * Math.max(left ** 2, LEAKAGE);
    return ohms(num(spec, 'ohms') * left, frequency === 'ac' ? reactance : 0);
  },
  // A broken or bridged coil pulls nothing, whatever stands across it.
  drive: ({ spec, fault, volts }) =>
    fault === 'coil-open' || fault === 'coil-short' || fault === 'stuck-shut'
      ? NOTHING
      : fed(volts(''), num(spec, 'drop-out'), num(spec, 'pull-in')),
  nonElectricalFaults: ['opens-hot'],
  move: ({ state, spec, fault, drive }) => {
    if (state === 'coil-hot') return { to: 'shut', after: time(spec, 'cools-in') };
    if (fault === 'opens-hot' && state === 'open' && drive !== NOTHING)
      return { to: 'coil-hot', after: time(spec, 'hot-after') };
    if (state === 'shut' && drive === PULLS) return { to: 'open', after: 30 };
    if (state === 'open' && drive === NOTHING) return { to: 'shut', after: 30 };
    return undefined;
  },
  waits: (spec, modes) =>
    modes.some((m) => m.id === 'opens-hot') ? [{ words: 'until its coil is cool', lasts: time(spec, 'cools-in') }] : [],
  actsAt: (spec) => num(spec, 'pull-in'),
  deadTests: (spec) => [winding('', 'coil', num(spec, 'ohms'))],
  role: () => 'consumer',
  symbol: () => 'coil',
};
