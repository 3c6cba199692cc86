import { QueryTypes } from 'sequelize';
import { v7 } from 'uuid';
import type { Taken } from '@zetalysis/contract';
import type { CallEvent, EventBody, Overview } from '@zetalysis/core/visit';
import { type Credentials, made, openHouse, opening } from '../../../test/house';
import { makeMissingOverviews, rebuildOverviews } from './overviews';

const house = openHouse();
const { api, signIn } = house;

let me: Credentials;
let call: string;
beforeEach(async () => {
  me = await signIn();
  call = v7();
});

const send = (events: readonly unknown[], as = me) => api().post(`/api/calls/${call}/events`).set(as).send({ events });
const read = async (after = 0) => {
  const { body } = await api().get(`/api/calls/${call}/events?after=${after}`).set(me);
  return body as { entries: { number: number; event: CallEvent }[]; last: number };
};
const note = (text: string, seq = 2) => made(call, { type: 'note', text }, seq);
const setup = (bypassed: string[], seq: number, more: object = {}) =>
  made(call, { type: 'setup', power: true, gas: true, call: true, unplugged: [], bypassed, ...more } as EventBody, seq);
const overview = async (): Promise<Overview> => {
  const { body } = await api().get('/api/calls?size=100').set(me);
  return (body as { calls: { id: string; overview: Overview }[] }).calls.find((c) => c.id === call)!.overview;
};

describe('what is acknowledged is stored as it was sent', () => {
  test.each([
    ['letters of all kinds', 'žluťoučký 漢字 العربية \u0000 \u200d 👩‍🔧 🔥'],
    ['signs that mean something to databases', `'; DROP TABLE events; -- \\ " % _ \n\t`],
    ['blanks at the ends', '  a  '],
  ])('%s', async (_name, text) => {
    await send([made(call, opening)]);
    const event = note(text);
    expect((await send([event])).body.acknowledged).toEqual([{ id: event.id, number: 2 }]);
    expect((await read()).entries[1]!.event).toEqual(event);
  });

  test('numbers as they are: large, small, and long behind the point', async () => {
    await send([made(call, opening)]);
    for (const [i, value] of [0.1 + 0.2, 5e-324, 1.7976931348623157e308, -0.000001, 123456789.12345679].entries()) {
      const event = made(
        call,
        { type: 'volts', red: 'R', black: 'C', typed: 'x', reading: { kind: 'value', value, dimension: 'voltage' } },
        2 + i,
      );
      await send([event]);
      expect((await read(1 + i)).entries[0]!.event).toEqual(event);
    }
  });

  test('a clock that was wrong is kept with the entry', async () => {
    await send([made(call, opening)]);
    const event = { ...note('late again'), offset: -5_400_000 };
    await send([event]);
    expect((await read(1)).entries[0]!.event).toEqual(event);
  });

  test.each<[string, (event: CallEvent) => unknown, RegExp]>([
    ['half a character', (e) => ({ ...e, body: { type: 'note', text: 'a\ud83d' } }), /body\.text.*half a character/],
    ['half a character in a name', (e) => ({ ...e, device: '\udc00' }), /device.*half a character/],
    ['a device name longer than its column', (e) => ({ ...e, device: 'd'.repeat(61) }), /device/],
    ['an id in capitals', (e) => ({ ...e, id: e.id.toUpperCase() }), /id.*small letters/],
    ['a clock of nought', (e) => ({ ...e, seq: 0 }), /seq/],
    ['a clock beyond what can be counted', (e) => ({ ...e, seq: 2 ** 31 }), /seq/],
  ])('%s is refused with the name of the field, and not half kept', async (_name, spoil, words) => {
    await send([made(call, opening)]);
    const answer = await send([spoil(note('x'))]);
    expect(answer.status).toBe(400);
    expect(answer.body.detail).toMatch(words);
    expect((await read()).last).toBe(1);
  });

  test('two different entries under one id at the same moment: one is kept, and the other is told', async () => {
    await send([made(call, opening)]);
    const one = note('one');
    const answers = await Promise.all(
      ['one', 'two', 'three', 'four'].map((text) => send([{ ...one, body: { type: 'note', text } }])),
    );
    expect(answers.map((a) => a.status).sort()).toEqual([200, 409, 409, 409]);
    const kept = (await read(1)).entries;
    expect(kept).toHaveLength(1);
    const winner = ['one', 'two', 'three', 'four'][answers.findIndex((a) => a.status === 200)];
    expect(kept[0]!.event.body).toEqual({ type: 'note', text: winner });
  });

  test('of a batch, only what differs is refused', async () => {
    const [first, second, third] = [made(call, opening), note('second', 2), note('third', 3)];
    await send([first, second]);
    const { body } = await send([first, { ...second, body: { type: 'note', text: 'forged' } }, third]);
    expect((body as Taken).acknowledged.map((a) => a.number)).toEqual([1, 3]);
    expect((body as Taken).refused).toMatchObject([{ id: second.id, status: 409 }]);
  });

  test('one id in two calls', async () => {
    const event = made(call, opening);
    await send([event]);
    call = v7();
    await send([made(call, opening)]);
    expect((await send([{ ...event, call, seq: 2, body: { type: 'note', text: 'x' } }])).status).toBe(409);
  });
});

describe('numbers', () => {
  test('many writers at once: every entry has a number, none is used twice, none is left out, and a reader misses none', async () => {
    await send([made(call, opening)]);
    const seen = new Map<number, string>();
    let writing = true;
    const reading = (async () => {
      for (let after = 0; ;) {
        const over = !writing;
        const { entries } = await read(after);
        for (const { number, event } of entries) seen.set(number, event.id);
        after = entries.at(-1)?.number ?? after;
        if (over && entries.length === 0) return;
      }
    })();
    const numbers = await Promise.all(
      Array.from({ length: 6 }, async (_, writer) => {
        const mine: number[] = [];
        for (let i = 0; i < 15; i++) {
          const { body } = await send([note(`${writer} ${i}`, 2 + i), note(`${writer} ${i} more`, 2 + i)]);
          mine.push(...(body as Taken).acknowledged.map((a) => a.number));
        }
        return mine;
      }),
    );
    writing = false;
    await reading;
    const all = numbers.flat().sort((a, b) => a - b);
    expect(all).toEqual(Array.from({ length: 180 }, (_, i) => i + 2));
    expect([...seen.keys()].sort((a, b) => a - b)).toEqual([1, ...all]);
    expect(new Set(seen.values()).size).toBe(181);
  });

  test('two openings at the same moment open it once', async () => {
    const answers = await Promise.all([send([made(call, opening)]), send([made(call, opening)])]);
    expect(answers.map((a) => a.status).sort()).toEqual([200, 409]);
    expect((await read()).last).toBe(1);
  });
});

describe('one entry cannot ruin a call', () => {
  test.each<[string, () => CallEvent, number, RegExp]>([
    ['a second opening', () => made(call, opening, 2), 409, /opened once/],
    ['a clock far ahead', () => note('x', 5000), 400, /seq is 5000; at most 1001/],
    [
      'a retraction of an entry that is not there',
      () => made(call, { type: 'retracted', event: v7() }, 2),
      400,
      /Send that one first/,
    ],
    [
      'settling an adjustment that is not there',
      () => made(call, { type: 'adjustment-settled', event: v7(), how: 'kept' }, 2),
      400,
      /Send that one first/,
    ],
    [
      'words taken out by hand',
      () => made(call, { type: 'redacted', event: v7(), hash: 'a'.repeat(64) }, 2),
      403,
      /command/,
    ],
  ])('%s', async (_name, bad, status, words) => {
    await send([made(call, opening)]);
    const answer = await send([bad()]);
    expect([answer.status, answer.body.detail]).toEqual([status, expect.stringMatching(words)]);
    // It does not hold up the others.
    const { body } = await send([bad(), note('good')]);
    expect((body as Taken).acknowledged).toHaveLength(1);
    expect((body as Taken).refused).toHaveLength(1);
  });

  test('an entry of another call cannot be taken back', async () => {
    const first = made(call, opening);
    await send([first]);
    call = v7();
    await send([made(call, opening)]);
    expect((await send([made(call, { type: 'retracted', event: first.id }, 2)])).status).toBe(400);
  });

  test.each([
    ['a version that never was', { profileVersion: '99.0.0' }, /no version 99\.0\.0/],
    ['a family that never was', { profile: 'toaster' }, /"toaster"/],
    ['a variant it does not have', { build: { options: ['golden'], order: {} } }, /no variant "golden"/],
    ['an order of switches it does not have', { build: { options: [], order: { nowhere: ['a'] } } }, /nowhere/],
    ['a machine that is not in the register', { machine: v7() }, /not in the register/],
  ])('pinned to %s', async (_name, pins, words) => {
    const answer = await send([made(call, { ...opening, ...pins })]);
    expect([answer.status, answer.body.detail]).toEqual([400, expect.stringMatching(words)]);
  });

  test('an old log that breaks the rules can be read, and worked on', async () => {
    await send([made(call, opening)]);
    const [old, second] = [made(call, { type: 'note', text: 'x' }, 2_000_000_000), made(call, opening, 7)];
    for (const [number, event] of [old, second].map((e, i) => [i + 2, e] as const))
      await house.owner.query(
        'INSERT INTO events (callId, number, id, seq, at, device, person, type, body, createdAt) VALUES (:call, :number, :id, :seq, :at, :device, :person, :type, :text, NOW(3))',
        { replacements: { ...event, number, type: event.body.type, text: JSON.stringify(event.body) } },
      );
    expect((await read()).entries.map((e) => e.event.seq)).toEqual([1, 2_000_000_000, 7]);
    expect((await send([note('goes on', 2_000_000_001)])).body.acknowledged).toEqual([
      { id: expect.any(String), number: 4 },
    ]);
  });
});

describe('what the office sees', () => {
  const ledger = [{ id: 'limit', title: 'high limit', kind: 'safety', limit: 600 }];

  test('a bypass with its clock, until it is off', async () => {
    const placed = { ...setup(['limit'], 2, { ledger }), at: '2026-01-05T09:00:00.000Z', offset: 60_000 };
    await send([made(call, opening), placed]);
    expect((await overview()).bypasses).toEqual([
      {
        ...ledger[0],
        limit: undefined,
        person: 'imre',
        since: '2026-01-05T08:59:00.000Z',
        // Sixty seconds for a furnace limit, whatever the entry says (common practice, no source).
        until: '2026-01-05T09:00:00.000Z',
      },
    ]);
    const watched = (await api().get('/api/calls/watch').set(me)).body as { id: string }[];
    expect(watched.map((c) => c.id)).toContain(call);
    // Another change does not start its clock anew.
    await send([{ ...setup(['limit'], 3, { ledger, power: false }), at: '2026-01-05T09:05:00.000Z' }]);
    expect(await overview()).toMatchObject({ power: false, bypasses: [{ since: '2026-01-05T08:59:00.000Z' }] });
    expect((await overview()).stops).toMatchObject([{ id: 'bypass-over' }]);
    await send([setup([], 4), made(call, { type: 'stop-ended', stop: 'bypass-over', evidence: { why: 'x' } }, 5)]);
    // Twice its time: a lead signs too.
    expect(await overview()).toMatchObject({
      bypasses: [],
      stops: [{ id: 'bypass-over' }],
      claims: [{ person: 'imre' }],
    });
    const lead = await house.signIn('rosa');
    const claim = (await overview()).claims[0]!.event;
    const signed = made(call, { type: 'countersigned', event: claim, says: 'yes', words: '' }, 6, 'rosa');
    await api()
      .post(`/api/calls/${call}/events`)
      .set(lead)
      .send({ events: [signed] });
    expect(await overview()).toMatchObject({ stops: [], claims: [] });
    expect(((await api().get('/api/calls/watch').set(me)).body as { id: string }[]).map((c) => c.id)).not.toContain(
      call,
    );
  });

  test('an entry that comes after the closing is kept; it opens the call again when it touches safety', async () => {
    await send([made(call, opening), made(call, { type: 'closed', words: '' }, 2)]);
    expect((await overview()).state).toBe('closed');
    await send([note('the filter was dirty', 2)]);
    expect((await overview()).state).toBe('closed');
    const bypass = setup(['limit'], 2, { ledger });
    await send([bypass]);
    expect(await overview()).toMatchObject({ state: 'late', late: 1, bypasses: [{ id: 'limit' }] });
    expect(
      (await api().get('/api/calls?state=open&size=100').set(me)).body.calls.map((c: { id: string }) => c.id),
    ).toContain(call);
    await send([setup([], 4), made(call, { type: 'closed', words: 'taken off' }, 5)]);
    expect((await overview()).state).toBe('closed');
    await send([made(call, { type: 'reopened', words: 'cold again' }, 6)]);
    expect((await overview()).state).toBe('open');
  });

  test('it can be thrown away and made again from the log', async () => {
    await send([made(call, opening), setup(['limit'], 2, { ledger }), made(call, { type: 'danger', danger: 'co' }, 3)]);
    const overviews = () =>
      house.sequelize.query('SELECT * FROM overviews ORDER BY callId', { type: QueryTypes.SELECT });
    const before = await overviews();
    await house.sequelize.query('DELETE FROM overviews');
    await makeMissingOverviews();
    expect(await overviews()).toEqual(before);
    await house.sequelize.query('UPDATE overviews SET open = 0, watch = 0, upTo = 0');
    expect(await rebuildOverviews()).toBe(before.length);
    expect(await overviews()).toEqual(before);
  });
});
