import { actsWhileFed } from './fed';
import { num, ohms, OPEN, other, type PartKind, time } from './part-kind';
import { oneOfThem } from './severity';

const HALVES = ['a1', 'a2', 'b1', 'b2'] as const;

/**
 * The two-phase stepper of a modulating gas valve: four half-windings against two centre pins, alike by design. One that
 * differs from the others by more than about 5 % condemns the valve (common practice, no source).
 */
export const stepper: PartKind = {
  name: 'stepper',
  title: 'stepper',
  fields: {
    ohms: { type: 'resistance', tolerance: 0.03 },
    'steps-at': { type: 'voltage', default: 14 },
    /** Time to its place for lighting. */
    'sets-in': { type: 'time', default: 1.5, tolerance: 0.1 },
    /** Which half-winding is open, by its place, where one is; which pair of them, where a centre pin is. */
    'open-half': { type: 'none', default: 0 },
    'open-pair': { type: 'none', default: 0 },
    weight: { type: 'none', default: 1 },
  },
  branches: () => HALVES,
  states: ['parked', 'set'],
  modes: (spec) => {
    const weight = num(spec, 'weight');
    return [
      ...oneOfThem(
        { id: 'half-open', words: 'has an open half-winding', relativeRate: 0.7 * weight, repair: 'replace' },
        HALVES.map((_, half) => ({ 'open-half': half })),
      ),
      ...oneOfThem(
        {
          id: 'centre-open',
          words: 'has two open half-windings on one centre pin',
          relativeRate: 0.5 * weight,
          repair: 'replace',
        },
        [{ 'open-pair': 0 }, { 'open-pair': 1 }],
      ),
      { id: 'jammed', words: 'is fed and does not turn', relativeRate: 0.5 * weight, repair: 'replace' },
      other(0.1),
    ];
  },
  electrical: (spec, _state, fault, branch) => {
    const half = HALVES.findIndex((h) => h === branch);
    if (fault === 'half-open' && half === num(spec, 'open-half')) return OPEN;
    if (fault === 'centre-open' && Math.floor(half / 2) === num(spec, 'open-pair')) return OPEN;
    return ohms(num(spec, 'ohms'));
  },
  drive: ({ spec, fault, volts }) =>
    Number(fault === undefined && HALVES.every((half) => volts(half) >= num(spec, 'steps-at'))),
  move: (view) => actsWhileFed(view, { to: 'set', after: time(view.spec, 'sets-in') }, { to: 'parked', after: 1000 }),
  actsAt: (spec) => num(spec, 'steps-at'),
  deadTests: (spec) =>
    HALVES.map((branch) => ({
      branch,
      title: `half-winding ${branch}`,
      low: num(spec, 'ohms') * 0.9,
      high: num(spec, 'ohms') * 1.1,
      as: 'half-winding',
    })),
  role: () => 'consumer',
  symbol: () => 'coil',
};
