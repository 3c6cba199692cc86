import { CLOSED, num, OPEN, other, type PartKind } from './part-kind';

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
    /** A roll-out or spill switch is never bypassed, not even for a moment. */
    'never-bypass': { type: 'flag', default: false },
    'open-weight': { type: 'none', default: 1 },
    'stuck-weight': { type: 'none', default: 0.2 },
    'tripped-weight': { type: 'none', default: 0.25 },
  },
  branches: () => [''],
  states: ['open', 'closed', 'tripped'],
  lasting: () => ['tripped'],
  modes: (spec) => [
    { id: 'open', words: 'stays open though it should be closed', weight: num(spec, 'open-weight'), mend: 'replace' },
    {
      id: 'stuck-closed',
      words: 'stays closed though it should open',
      weight: num(spec, 'stuck-weight'),
      mend: 'replace',
    },
    ...(spec['manual-reset'] === true
      ? [
          {
            id: 'tripped',
            words: 'has tripped some time ago and waits for its reset; what made it trip is over',
            weight: num(spec, 'tripped-weight'),
            mend: 'reset',
            starts: 'tripped',
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
  move: (view) => {
    if (view.state === 'tripped') return undefined;
    const value = view.sensed('senses');
    const closesAt = num(view.spec, 'closes-at');
    const opensAt = num(view.spec, 'opens-at');
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
  ],
  // What the ohmmeter shows depends on the quantity it senses; the closed contact is judged.
  deadTests: () => [{ branch: '', title: 'contact', low: 0, high: 1 }],
  symbol: () => 'contact',
  mayOpenRightly: () => true,
};
