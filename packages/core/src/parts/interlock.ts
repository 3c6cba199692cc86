import { CLOSED, closedContact, num, OPEN, other, type PartKind, type Spec } from './part-kind';

const earlyPoint = (spec: Spec): number =>
  num(spec, 'closes-at') + num(spec, 'early-share') * (num(spec, 'opens-at') - num(spec, 'closes-at'));

/**
 * A safety or operating switch that watches a physical quantity: limit, roll-out, pressure switch, low-water cut-off,
 * pressure limit, spill switch. `closes-at` and `opens-at` are its set points; which one is larger says whether it
 * closes on a rise (air proof) or on a fall (limit).
 */
export const interlock: PartKind = {
  name: 'interlock',
  title: 'interlock',
  fields: {
    senses: { type: 'quantity' },
    'closes-at': { type: 'sensed' },
    'opens-at': { type: 'sensed' },
    'manual-reset': { type: 'flag', default: false },
    /** Written by profiles from before safeties had kinds; a part that names none is never gone round. */
    'never-bypass': { type: 'flag', default: false },
    'open-weight': { type: 'none', default: 1 },
    'stuck-weight': { type: 'none', default: 0.2 },
    'tripped-weight': { type: 'none', default: 0.25 },
    /** Weight of "opens too early", and where it then opens: this share of the way from `closes-at` to `opens-at`. */
    'early-weight': { type: 'none', default: 0 },
    'early-share': { type: 'none', default: 0.2 },
  },
  branches: () => [''],
  states: ['open', 'closed', 'tripped'],
  lasting: () => ['tripped'],
  modes: (spec) => [
    {
      id: 'open',
      words: 'stays open though it should be closed',
      relativeRate: num(spec, 'open-weight'),
      repair: 'replace',
      leaves: 'open',
    },
    {
      id: 'stuck-closed',
      words: 'stays closed though it should open',
      relativeRate: num(spec, 'stuck-weight'),
      repair: 'replace',
      leaves: 'closed',
    },
    ...(spec['manual-reset'] === true
      ? [
          {
            id: 'tripped',
            words: 'has tripped some time ago and waits for its reset; what made it trip is over',
            relativeRate: num(spec, 'tripped-weight'),
            repair: 'reset',
            starts: 'tripped',
            leaves: 'tripped',
          } as const,
        ]
      : []),
    ...(num(spec, 'early-weight') > 0
      ? [
          {
            id: 'early',
            words: 'opens too early: its set point has drifted',
            relativeRate: num(spec, 'early-weight'),
            repair: 'replace',
          } as const,
        ]
      : []),
    other(0.1),
  ],
  electrical: (_spec, state, fault) => {
    if (fault === 'open') return OPEN;
    if (fault === 'stuck-closed') return CLOSED;
    return state === 'closed' ? CLOSED : OPEN;
  },
  nonElectricalFaults: ['early'],
  move: (view) => {
    if (view.state === 'tripped') return undefined;
    const value = view.sensed('senses');
    const closesAt = num(view.spec, 'closes-at');
    const opensAt = view.fault === 'early' ? earlyPoint(view.spec) : num(view.spec, 'opens-at');
    const onRise = closesAt >= opensAt;
    const wantsClosed = onRise ? value >= closesAt : value <= closesAt;
    const wantsOpen = onRise ? value <= opensAt : value >= opensAt;
    if (view.state === 'open' && wantsClosed) return { to: 'closed', after: 100 };
    if (view.state === 'closed' && wantsOpen)
      return { to: view.spec['manual-reset'] === true ? 'tripped' : 'open', after: 100 };
    return undefined;
  },
  thresholds: (spec) => [
    { field: 'senses', value: num(spec, 'closes-at') },
    { field: 'senses', value: num(spec, 'opens-at') },
    ...(num(spec, 'early-weight') > 0 ? [{ field: 'senses', value: earlyPoint(spec) }] : []),
  ],
  // What the ohmmeter shows depends on the quantity it senses; the closed contact is judged.
  deadTests: () => [closedContact('contact')],
  poorly: { branch: '', instead: 'open' },
  role: () => 'contact',
  symbol: () => 'contact',
  mayOpenRightly: () => true,
  manualReset: (spec) => spec['manual-reset'] === true,
  // What a profile does not name is never gone round.
  safety: () => 'unnamed',
};
