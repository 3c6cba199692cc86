import fc from 'fast-check';
import { NORMAL_SETUP } from '../src/simulation';
import {
  type Arrived,
  BODIES,
  type CallEvent,
  type EventBody,
  hasFreeText,
  madeAt,
  meaningsOf,
  overviewOf,
  pointsAt,
  reduceCall,
  refusalOf,
  setupEntry,
  TAKEN_OUT,
  withMeaning,
  withoutFreeText,
} from '../src/visit';
import { model } from './furnace';

let made = 0;
const entry = (seq: number, body: EventBody, more: Partial<CallEvent> = {}): CallEvent => ({
  id: `e-${String(++made).padStart(6, '0')}`,
  call: 'c',
  seq,
  at: '2026-01-05T09:00:00.000Z',
  device: 'd',
  person: 'imre',
  body,
  ...more,
});
const NOW = Date.parse('2026-01-05T09:01:00Z');
const arrived = (...events: CallEvent[]): Arrived[] => events.map((event, i) => ({ event, number: i + 1 }));
const setup = (
  bypassed: string[],
  ledger?: { id: string; title: string; kind: string; limit: number }[],
): EventBody => ({
  type: 'setup',
  power: true,
  gas: false,
  call: true,
  unplugged: [],
  bypassed,
  ...(ledger ? { ledger } : {}),
});

/** Gas and power are off, and noted. */
const setupOff = (seq: number): CallEvent =>
  entry(seq, { type: 'setup', power: false, gas: false, call: false, unplugged: [], bypassed: [] });

describe('the overview of a call', () => {
  test('a call without entries that matter is open, with gas and power on', () => {
    expect(overviewOf([], NOW)).toEqual({
      state: 'open',
      gas: true,
      power: true,
      bypasses: [],
      temporary: [],
      stops: [],
      claims: [],
      steps: [],
      clocks: [],
      waits: null,
      ending: null,
      shown: false,
      resets: [],
      late: 0,
      dueAt: null,
      record: null,
    });
  });

  test('it tells how far the run came since the last repair, what clocks run, and what is waited for', () => {
    const timer = entry(6, { type: 'timer', title: 'Lockout hour', seconds: 3600 }, { offset: 60_000 });
    const log = arrived(
      entry(2, { type: 'seen', phase: 'call', answer: 'yes' }),
      entry(3, { type: 'seen', phase: 'glow', answer: 'yes' }),
      entry(4, { type: 'seen', phase: 'glow', answer: 'no' }),
      entry(5, { type: 'timer', title: 'Boiler cools', seconds: 7200 }),
      timer,
    );
    expect(overviewOf(log, NOW)).toMatchObject({
      steps: [
        { phase: 'call', answer: 'yes' },
        { phase: 'glow', answer: 'no' },
      ],
      // The first to end first, by the server's clock: this device was a minute ahead.
      clocks: [
        { title: 'Lockout hour', since: '2026-01-05T08:59:00.000Z', ends: '2026-01-05T09:59:00.000Z' },
        { title: 'Boiler cools', ends: '2026-01-05T11:00:00.000Z' },
      ],
    });
    const later = [
      ...log,
      ...arrived(
        entry(7, { type: 'retracted', event: timer.id }),
        entry(8, { type: 'repaired', part: 'igniter', action: '' }),
        setupOff(9),
        entry(10, {
          type: 'closed',
          words: '',
          ending: 'waiting',
          given: { for: 'an igniter', whom: 'the counter', when: 'Monday' },
        }),
      ).map((a) => ({ ...a, number: a.number + log.length })),
    ];
    expect(overviewOf(later, NOW)).toMatchObject({
      state: 'closed',
      steps: [],
      clocks: [{ title: 'Boiler cools' }],
      waits: { what: 'an igniter', whom: 'the counter', when: 'Monday' },
    });
  });

  test('a step that had not come yet is not one at which it broke off', () => {
    const log = arrived(
      entry(2, { type: 'seen', phase: 'glow', answer: 'no', after: 5 }),
      entry(3, { type: 'seen', phase: 'valve', answer: 'no' }),
    );
    expect(overviewOf(log, NOW).steps).toEqual([
      { phase: 'glow', answer: 'unclear' },
      { phase: 'valve', answer: 'no' },
    ]);
  });

  test('a bypass of a log that has no ledger has the time of a limit and its id for a name', () => {
    const { bypasses, gas, dueAt } = overviewOf(arrived(entry(2, setup(['limit']))), NOW);
    expect(gas).toBe(false);
    expect(bypasses).toMatchObject([{ id: 'limit', title: 'limit', until: '2026-01-05T09:01:00.000Z' }]);
    expect(dueAt).toBe('2026-01-05T09:01:00.000Z');
  });

  test('what is never gone round is over its limit at once', () => {
    const never = [{ id: 'roll-out', title: 'roll-out switch', kind: 'never', limit: 0 }];
    const [bypass] = overviewOf(arrived(entry(2, setup(['roll-out'], never))), NOW).bypasses;
    expect(bypass!.until).toBe(bypass!.since);
  });

  test('what was taken back does not count, and taking back a safety entry after the closing is late', () => {
    const danger = entry(2, { type: 'danger', danger: 'gas' });
    const log = arrived(
      danger,
      entry(3, { type: 'closed', words: '' }),
      entry(4, { type: 'retracted', event: danger.id }),
    );
    expect(overviewOf(log.slice(0, 2), NOW)).toMatchObject({
      state: 'closed',
      stops: [{ id: 'gas-strong', grade: 'out' }],
    });
    expect(overviewOf(log, NOW)).toMatchObject({ state: 'late', stops: [], late: 1 });
  });

  test('late is what came after the closing, not what was made after it; what was not sent yet comes last', () => {
    const closed = entry(9, { type: 'closed', words: '' });
    const repair: EventBody = { type: 'repaired', part: 'igniter', action: '' };
    const [before, after] = [entry(3, repair), entry(3, repair)];
    expect(overviewOf(arrived(before, closed), NOW).state).toBe('closed');
    expect(overviewOf(arrived(closed, after), NOW).state).toBe('late');
    expect(overviewOf([...arrived(closed), { event: after, number: Infinity }], NOW).state).toBe('late');
    expect(overviewOf(arrived(closed, entry(3, { type: 'note', text: 'x' })), NOW).state).toBe('closed');
  });

  test('the order in which entries are listed changes nothing, and no time makes it fail', () => {
    const bodies = fc.constantFrom<EventBody>(
      setup(['limit']),
      setup([]),
      { type: 'danger', danger: 'co' },
      { type: 'danger-over', words: '' },
      { type: 'closed', words: '' },
      { type: 'reopened', words: 'x' },
      { type: 'retracted', event: 'e-000001' },
    );
    const at = fc.oneof(
      fc.constant('2026-01-05T09:00:00Z'),
      fc.constant('yesterday'),
      fc.constant('+275760-09-13T00:00:00Z'),
    );
    const log = fc.array(fc.record({ body: bodies, seq: fc.integer({ min: 1, max: 9 }), at }), { maxLength: 12 });
    fc.assert(
      fc.property(log, fc.nat(), (entries, turn) => {
        const all = arrived(...entries.map(({ seq, body, at: when }) => entry(seq, body, { at: when })));
        const turned = [...all.slice(turn % (all.length + 1)), ...all.slice(0, turn % (all.length + 1))];
        expect(overviewOf(turned, NOW)).toEqual(overviewOf(all, NOW));
      }),
    );
  });
});

test('a setup keeps the ledger of what is gone round on its appliance', () => {
  const meanings = meaningsOf(model);
  const limit = meanings.safeties.find((s) => s.id === 'limit')!;
  // A furnace limit may be gone round for 60 s of flame (common practice, no source).
  expect(limit).toMatchObject({ kind: 'furnace-limit', limit: 60 });
  // Roll-out and spill switches are never bypassed (common practice, no source); a record of one has no time at all.
  expect(meanings.safeties.find((s) => s.id === 'rollout')).toMatchObject({ kind: 'roll-out', limit: 0 });
  const told = withMeaning(meanings, setupEntry({ ...NORMAL_SETUP, bypassed: ['limit'], unplugged: ['P2'] }));
  expect(told).toMatchObject({ ledger: [limit], apart: [{ id: 'P2' }] });
  expect(withMeaning(meanings, setupEntry(NORMAL_SETUP))).not.toHaveProperty('ledger');
});

test('a look that presses a reset counts as one; an action that does, once when it begins', () => {
  const meanings = meaningsOf(model);
  const clicked: EventBody = { type: 'look', look: 'rollout-button', answer: 'clicked' };
  expect(withMeaning(meanings, clicked)).toMatchObject({ pressed: { id: 'rollout', kind: 'roll-out' } });
  const begun = setupEntry({ ...NORMAL_SETUP, actions: ['reset-rollout'] });
  expect(withMeaning(meanings, begun)).toMatchObject({ resets: [{ id: 'rollout' }] });
  expect(withMeaning(meanings, begun, ['reset-rollout'])).not.toHaveProperty('resets');
});

test('what is taken into a call', () => {
  const log = { clock: 7, opened: true, holds: (id: string) => id === 'there' };
  const note: EventBody = { type: 'note', text: 'x' };
  expect(refusalOf(entry(1007, note), log)).toBeUndefined();
  expect(refusalOf(entry(1008, note), log)).toEqual({ message: 'clock', data: { clock: 1008, most: 1007 } });
  expect(refusalOf(entry(1, note), { ...log, opened: false })).toEqual({ message: 'not-opened' });
  expect(refusalOf(entry(8, { type: 'retracted', event: 'there' }), log)).toBeUndefined();
  expect(refusalOf(entry(8, { type: 'retracted', event: 'elsewhere' }), log)).toMatchObject({
    message: 'points-nowhere',
  });
  expect(pointsAt(note)).toBeUndefined();
});

test('a clock that is ten minutes fast is set right', () => {
  expect(madeAt({ at: '2026-01-05T09:10:00Z', offset: 600_000 })).toBe(Date.parse('2026-01-05T09:00:00Z'));
  expect(madeAt({ at: '2026-01-05T09:10:00Z' })).toBe(Date.parse('2026-01-05T09:10:00Z'));
});

test.each(['2027-02-31', 'next year', '2027-1-5'])(
  'a warranty until %s is no day, and the entry says what to write',
  (warranty) => {
    const { log } = reduceCall(model, [entry(8, { type: 'repaired', part: 'igniter', action: '', warranty })]);
    expect(log[0]!.problem).toMatch(/is no day; write it as 2026-11-30/);
  },
);

test('taking words out leaves everything that the state hangs on', () => {
  const repaired = withoutFreeText(entry(2, { type: 'repaired', part: 'igniter', action: 'Mr Quill held the lamp' }));
  expect(repaired.body).toEqual({ type: 'repaired', part: 'igniter', action: TAKEN_OUT });
  expect(hasFreeText('volts')).toBe(false);
  // Every kind with a field of free words can be emptied.
  const free = Object.entries(BODIES).filter(([, body]) =>
    Object.values(body.properties).some((p) => p['type'] === 'string' && (p['maxLength'] as number) >= 500),
  );
  expect(free.map(([type]) => type).filter((type) => !hasFreeText(type as EventBody['type']))).toEqual([]);
});
