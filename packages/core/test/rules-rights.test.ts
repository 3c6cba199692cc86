import { type Action, can, GRANTS, type Right, type State } from '../src/rules';
import { A, AD, L, T } from './rules-call';

// Written by hand from the rules, §7 (common practice, no source).
const UNTRAINED = { role: 'technician', grants: [] } as const;
const LEAD_ONLY: State = { endedBy: { role: 'lead' } };
const BY_TECHNICIAN: State = { endedBy: { role: 'technician' } };
const BY_LINE: State = { endedBy: { role: 'technician', grant: 'line' } };
const ANYONE: State = { endedBy: { role: 'anyone' } };

/** Action, state, and what apprentice, technician without grants, technician, lead and admin may. */
const TABLE: readonly (readonly [Action, State, Right, Right, Right, Right, Right])[] = [
  //                                              A    t    T    L    Ad
  ['record', {}, '+', '+', '+', '+', '+'],
  ['bypass-off', {}, '+', '+', '+', '+', '+'],
  ['reopen', {}, '+', '+', '+', '+', '+'],
  ['record', { closed: true }, '+', '+', '+', '+', '+'],
  ['reopen', { closed: true }, '+', '+', '+', '+', '+'],
  ['bypass', {}, 'm', 'm', '+', '+', 'm'],
  ['reset', {}, 'm', '+', '+', '+', 'm'],
  ['gas-work', {}, 'm', 'm', '+', '+', 'm'],
  ['line-test', {}, 'm', 'm', '+', '+', 'm'],
  ['forbidden-bypass', {}, 'm', 'm', 'm', 'm', 'm'],
  ['forbidden-reset', {}, 'm', 'm', 'm', 'm', 'm'],
  // What comes late to a closed call is kept, and marked.
  ['bypass', { closed: true }, 'm', 'm', '+', '+', 'm'],
  ['end-stop', BY_TECHNICIAN, 'c', '+', '+', '+', 'c'],
  ['end-stop', BY_LINE, 'c', 'c', '+', '+', 'c'],
  ['end-stop', LEAD_ONLY, 'c', 'c', 'c', '+', 'c'],
  ['end-stop', ANYONE, '+', '+', '+', '+', '+'],
  ['need', {}, '+', '+', '+', '+', 'c'],
  ['need', { gas: true }, 'c', '+', '+', '+', 'c'],
  ['proof-line', {}, '+', '+', '+', '+', 'c'],
  ['proof-line', { dot: true }, 'c', '+', '+', '+', 'c'],
  ['does-not-apply', {}, '-', '+', '+', '+', '-'],
  ['does-not-apply', { notFitted: false }, '-', '-', '-', '+', '-'],
  ['does-not-apply', { dot: true }, '-', 'c', 'c', '+', '-'],
  ['break', {}, 'c', '+', '+', '+', 'c'],
  ['proved', {}, 'c', '+', '+', '+', 'c'],
  ['not-proved', {}, 'c', '+', '+', '+', 'c'],
  ['not-proved', { dot: true }, 'c', 'c', 'c', '+', 'c'],
  ['nothing-found', {}, 'c', '+', '+', '+', 'c'],
  ['mistake', {}, 'c', '+', '+', '+', 'c'],
  ['waiting', {}, '+', '+', '+', '+', 'c'],
  ['left-off', {}, '+', '+', '+', '+', 'c'],
  ['referred', {}, '+', '+', '+', '+', 'c'],
  // While everybody is out: what is so, the clearance, and referred.
  ['record', { out: true }, '+', '+', '+', '+', '+'],
  ['end-stop', { out: true, ...LEAD_ONLY }, 'c', 'c', 'c', '+', 'c'],
  ['referred', { out: true }, '+', '+', '+', '+', 'c'],
  ['proved', { out: true }, '-', '-', '-', '-', '-'],
  ['waiting', { out: true }, '-', '-', '-', '-', '-'],
  ['left-off', { out: true }, '-', '-', '-', '-', '-'],
  ['break', { closed: true }, '-', '-', '-', '-', '-'],
  ['countersign', { of: A }, '-', '+', '+', '+', '-'],
  ['countersign', { of: T }, '-', '-', '-', '+', '-'],
  ['countersign', { of: L }, '-', '-', '-', '+', '-'],
  ['tighten', {}, '-', '-', '-', '+', '+'],
  ['teach', {}, '-', '-', '-', '+', '-'],
  ['rates', {}, '-', '-', '-', '+', '-'],
  ['grants', { of: A }, '-', '-', '-', '+', '+'],
  ['grants', { of: T }, '-', '-', '-', '+', '+'],
  ['grants', { of: L }, '-', '-', '-', '-', '+'],
  ['loosen', {}, '-', '-', '-', '-', '-'],
];

test.each(TABLE)('%s %j', (action, state, ...expected) => {
  expect([A, UNTRAINED, T, L, AD].map((person) => can(person, action, state))).toEqual(expected);
});

test('the admin has no trade right of its own, whatever grants it was given', () => {
  const office = { role: 'admin', grants: GRANTS } as const;
  for (const action of ['bypass', 'gas-work', 'line-test'] as const) expect(can(office, action)).toBe('m');
  expect(can(office, 'end-stop', BY_TECHNICIAN)).toBe('c');
});
