import request from 'supertest';
import { v7 } from 'uuid';
import type { CallEvent } from '@zetalysis/core/visit';
import { type Credentials, FURNACE_VERSION, made, openHouse, opening } from '../../../test/house';

const house = openHouse();
const { api, signIn } = house;

describe('the log of a call', () => {
  let me: Credentials;
  let call: string;
  beforeEach(async () => {
    me = await signIn();
    call = v7();
  });
  const send = (events: readonly unknown[], to = call) =>
    api().post(`/api/calls/${to}/events`).set(me).send({ events });
  const read = (after = 0) => api().get(`/api/calls/${call}/events?after=${after}`).set(me);

  test('the first event opens the call and pins its versions', async () => {
    const event = made(call, opening);
    expect((await send([event])).body).toEqual({ acknowledged: [{ id: event.id, number: 1 }], refused: [] });
    const head = await api().get(`/api/calls/${call}`).set(me);
    expect(head.body).toMatchObject({
      profile: 'furnace-condensing',
      profileVersion: FURNACE_VERSION,
      engineVersion: '1.0.0',
      settings: { settingsVersion: '1' },
    });
  });

  test('sending an event twice changes nothing', async () => {
    const events = [made(call, opening), made(call, { type: 'seen', phase: 'inducer', answer: 'yes' }, 2)];
    await send(events);
    const numbers = events.map(({ id }, i) => ({ id, number: i + 1 }));
    expect((await send(events)).body).toEqual({ acknowledged: numbers, refused: [] });
    expect((await send([...events, ...events])).body.acknowledged).toHaveLength(4);
    const as = { role: 'technician', grants: ['line', 'gas', 'bypass', 'combustion', 'steam'] };
    expect((await read()).body).toEqual({
      entries: events.map((event, i) => ({ number: i + 1, event, as })),
      last: 2,
      looking: [],
    });
  });

  test('the same event from two senders at once is stored once', async () => {
    await send([made(call, opening)]);
    const event = made(call, { type: 'code', code: '6' }, 2);
    const answers = await Promise.all([send([event]), send([event]), send([event])]);
    for (const answer of answers) expect(answer.status).toBe(200);
    expect((await read()).body.entries).toHaveLength(2);
  });

  test('an id with other contents is refused: events are never changed', async () => {
    const event = made(call, opening);
    await send([event]);
    const forged = await send([{ ...event, seq: 9 }]);
    expect(forged.status).toBe(409);
    expect(forged.body.detail).toMatch(/correcting event/);
  });

  test('the database itself refuses to change or delete events', async () => {
    await send([made(call, opening)]);
    await expect(house.sequelize.query('UPDATE events SET seq = 99 LIMIT 1')).rejects.toThrow(
      /never changed or deleted/,
    );
    await expect(house.sequelize.query('DELETE FROM events LIMIT 1')).rejects.toThrow(/never changed or deleted/);
  });

  test('the cursor gives only what is new', async () => {
    await send([made(call, opening)]);
    const first = (await read()).body;
    await send([made(call, { type: 'note', text: 'filter looks new' }, 2)]);
    const second = (await read(first.last)).body;
    expect(second.entries.map((e: { event: CallEvent }) => e.event.body.type)).toEqual(['note']);
  });

  test('an event for a call that is not there', async () => {
    const answer = await send([made(call, { type: 'note', text: 'x' })]);
    expect(answer.status).toBe(404);
    expect(answer.body.detail).toMatch(/Send its opening event first/);
  });

  test('somebody else’s event, and an event of another call', async () => {
    expect((await send([made(call, opening, 1, 'rosa')])).status).toBe(403);
    expect((await send([made(v7(), opening)])).body.title).toBe('Wrong call');
  });

  test.each<[string, unknown]>([
    ['no body', {}],
    ['an unknown type', { ...made('0', opening), body: { type: 'guess' } }],
    [
      'a reading that is a text',
      { ...made('0', opening), body: { type: 'gauge', gauge: 'draft', typed: '1', reading: '1' } },
    ],
    ['a field nobody knows', { ...made('0', opening), body: { type: 'note', text: 'x', html: '<b>' } }],
    [
      'a number that is none',
      {
        ...made('0', opening),
        body: {
          type: 'ohms',
          part: 'igniter',
          typed: 'x',
          reading: { kind: 'value', value: null, dimension: 'resistance' },
        },
      },
    ],
  ])('%s is refused with the place', async (_name, event) => {
    const answer = await send([{ ...(event as object), call }]);
    expect(answer.status).toBe(400);
    expect(answer.body.errors.length).toBeGreaterThan(0);
    expect(JSON.stringify(answer.body)).not.toMatch(/at .*\.ts:/);
  });

  test('a body that is too large, not JSON, or a bad cursor or call number', async () => {
    const large = await send([made(call, { type: 'note', text: 'x'.repeat(300_000) })]);
    expect(large.status).toBe(413);
    expect(large.body.detail).toMatch(/smaller batches/);
    const broken = await api().post(`/api/calls/${call}/events`).set(me).type('json').send('{"events": [');
    expect(broken.status).toBe(400);
    await send([made(call, opening)]);
    expect((await api().get(`/api/calls/${call}/events?after=x`).set(me)).status).toBe(400);
    expect((await api().get('/api/calls/17').set(me)).status).toBe(400);
    expect((await api().get(`/api/calls/${v7()}`).set(me)).status).toBe(404);
  });

  test('the list shows open bypasses and the recorded break; what was taken back does not count', async () => {
    const wrong = made(
      call,
      { type: 'setup', power: true, gas: true, call: true, unplugged: [], bypassed: ['limit'] },
      2,
    );
    await send([made(call, opening), wrong]);
    const find = async () =>
      (await api().get('/api/calls?size=100').set(me)).body.calls.find((c: { id: string }) => c.id === call);
    expect((await find()).overview.bypasses).toMatchObject([{ id: 'limit', person: 'imre' }]);
    await send([made(call, { type: 'retracted', event: wrong.id }, 3)]);
    expect((await find()).overview.bypasses).toEqual([]);
  });
});

test('two server processes on one database work side by side', async () => {
  const other = house.anotherApp();
  const me = await signIn('imre');
  const call = v7();
  await api()
    .post(`/api/calls/${call}/events`)
    .set(me)
    .send({ events: [made(call, opening)] });
  // The session of the first is good at the second, and so is the call.
  const note = made(call, { type: 'note', text: 'from the other process' }, 2);
  expect(
    (
      await request(other)
        .post(`/api/calls/${call}/events`)
        .set(me)
        .send({ events: [note] })
    ).body.acknowledged,
  ).toHaveLength(1);
  expect((await api().get(`/api/calls/${call}/events`).set(me)).body.entries).toHaveLength(2);
});
