import { HOLDS, NOTHING, PULLS } from './fed';
import { CLOSED, num, ohms, OPEN, other, type PartKind, time } from './part-kind';

/**
 * A delay in series with its load, against short cycling: it feeds itself through the load, waits, then passes. It starts
 * over as soon as the power goes. Five minutes of it are often taken for a dead machine.
 */
export const delay: PartKind = {
  name: 'delay',
  title: 'delay',
  fields: {
    wait: { type: 'time', default: 300, tolerance: 0.05 },
    /** What leaks through while it waits, as a resistance. */
    leak: { type: 'resistance', default: 12_000 },
    'starts-at': { type: 'voltage', default: 16 },
    /** Below this current its load is gone. */
    'holds-at': { type: 'current', default: 0.02 },
    weight: { type: 'none', default: 1 },
  },
  branches: () => [''],
  states: ['waiting', 'passing'],
  modes: (spec) => [
    { id: 'open', words: 'never passes, however long one waits', relativeRate: num(spec, 'weight'), repair: 'replace' },
    other(0.1),
  ],
  electrical: (spec, state, fault) =>
    fault === 'open' ? OPEN : state === 'passing' ? CLOSED : ohms(num(spec, 'leak')),
  // Power across it while it waits; while it passes there is none, and the current of its load holds it.
  drive: ({ spec, fault, volts, amps }) => {
    if (fault === 'open') return NOTHING;
    return volts('') >= num(spec, 'starts-at') ? PULLS : amps('') >= num(spec, 'holds-at') ? HOLDS : NOTHING;
  },
  move: ({ state, spec, drive }) => {
    if (state === 'waiting' && drive === PULLS) return { to: 'passing', after: time(spec, 'wait') };
    if (state === 'passing' && drive === NOTHING) return { to: 'waiting', after: 100 };
    return undefined;
  },
  waits: (spec) => [{ words: 'before it passes', lasts: time(spec, 'wait') }],
  deadTests: () => [],
  role: () => 'contact',
  symbol: () => 'contact',
  safety: () => 'delay',
};
