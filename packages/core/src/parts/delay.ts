import { CLOSED, num, ohms, OPEN, other, type PartKind } from './part-kind';

/**
 * A delay in series with its load, against short cycling: it feeds itself through the load, waits, then passes. It starts
 * over as soon as the power goes. Five minutes of it are often taken for a dead machine.
 */
export const delay: PartKind = {
  name: 'delay',
  title: 'delay',
  fields: {
    wait: { type: 'time', default: 300, spread: 0.05 },
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
    { id: 'open', words: 'never passes, however long one waits', weight: num(spec, 'weight'), mend: 'replace' },
    other(0.1),
  ],
  electrical: (spec, state, fault) =>
    fault === 'open' ? OPEN : state === 'passing' ? CLOSED : ohms(num(spec, 'leak')),
  move: (view) => {
    if (view.state === 'waiting' && view.volts('') >= num(view.spec, 'starts-at'))
      return { to: 'passing', after: num(view.spec, 'wait') * 1000 };
    if (view.state === 'passing' && view.amps('') < num(view.spec, 'holds-at')) return { to: 'waiting', after: 100 };
    return undefined;
  },
  waits: (spec) => [{ words: 'before it passes', seconds: num(spec, 'wait') }],
  deadTests: () => [],
  symbol: () => 'contact',
};
