import { CLOSED, closedContact, num, OPEN, other, type PartKind } from './part-kind';

/** A switch worked by a person or by a simple condition: service switch, door switch, thermostat. */
export const handSwitch: PartKind = {
  name: 'switch',
  title: 'switch',
  fields: {
    'closed-when': { type: 'expression' },
    weight: { type: 'none', default: 1 },
    /** Its two wires may be joined for a test: a thermostat, never a door switch. */
    'may-join': { type: 'flag', default: false },
  },
  branches: () => [''],
  states: ['open', 'closed'],
  heldForTest: 'closed',
  modes: (spec) => [
    { id: 'open', words: 'does not close', relativeRate: num(spec, 'weight'), repair: 'replace' },
    other(0.1),
  ],
  electrical: (_spec, state, fault) => (state === 'open' || fault === 'open' ? OPEN : CLOSED),
  move: (view) => {
    const to = view.holds('closed-when') ? 'closed' : 'open';
    return to === view.state ? undefined : { to, after: 50 };
  },
  safety: (spec) => (spec['may-join'] === true ? 'may-join' : undefined),
  deadTests: () => [closedContact('closed contact')],
  poorly: { branch: '', instead: 'open' },
  role: () => 'contact',
  symbol: () => 'contact',
};
