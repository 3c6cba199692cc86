import type { Colleague, DayItem, Machine } from '@zetalysis/contract';
import { v7 } from 'uuid';
import { made, openHouse, opening } from '../../../test/house';

const { api, signIn } = openHouse();

const DAY = '2026-12-01';
const ids = new Map<string, string>();
let machine: string;
beforeAll(async () => {
  const me = await signIn();
  for (const { name, id } of (await api().get('/api/people').set(me)).body as Colleague[]) ids.set(name, id);
  machine = ((await api().get('/api/machines').set(me)).body as { machines: Machine[] }).machines[0]!.id;
});

const openCall = async (complaint: string): Promise<string> => {
  const call = v7();
  await api()
    .post(`/api/calls/${call}/events`)
    .set(await signIn())
    .send({ events: [made(call, { ...opening, complaint, machine })] });
  return call;
};
const add = async (more: object, by = 'rosa', person = 'imre', day = DAY) =>
  api()
    .post('/api/days')
    .set(await signIn(by))
    .send({
      day,
      person: ids.get(person),
      call: null,
      machine: null,
      duty: null,
      slot: '',
      priority: 'usual',
      ...more,
    });
const read = async (day = DAY) =>
  (
    await api()
      .get(`/api/days/${day}`)
      .set(await signIn('bea'))
  ).body as DayItem[];
const words = async (day = DAY, person = 'imre') =>
  (await read(day)).filter((i) => i.person === ids.get(person)).map((i) => i.words);
const move = async (item: DayItem, to: object, by = 'rosa') =>
  api()
    .put(`/api/days/items/${item.id}`)
    .set(await signIn(by))
    .send({ day: item.day, person: item.person, before: null, slot: item.slot, priority: item.priority, ...to });

test('calls and duties in the order in which they are done; moved within a day, to another day, to somebody else', async () => {
  await add({ call: await openCall('first') });
  await add({ call: await openCall('second'), slot: '9-11' });
  await add({ duty: 'anode', machine });
  expect(await words()).toEqual(['first', 'second', 'Tank anode']);
  const [first, second, third] = await read();
  expect(second!.slot).toBe('09:00-11:00');
  await move(third!, { before: first!.id });
  expect(await words()).toEqual(['Tank anode', 'first', 'second']);
  await move(first!, { before: null });
  expect(await words()).toEqual(['Tank anode', 'second', 'first']);
  await move(second!, { day: '2026-12-02' });
  expect([await words(), await words('2026-12-02')]).toEqual([['Tank anode', 'first'], ['second']]);
  await move(first!, { person: ids.get('bea') });
  expect([await words(), await words(DAY, 'bea')]).toEqual([['Tank anode'], ['first']]);
});

test('a call stands on one day only', async () => {
  const call = await openCall('once');
  await add({ call }, 'rosa', 'imre', '2026-12-10');
  await add({ call }, 'rosa', 'bea', '2026-12-11');
  expect([await words('2026-12-10'), await words('2026-12-11', 'bea')]).toEqual([[], ['once']]);
});

test('one’s own day is one’s own to order; those of others are for leads and the office', async () => {
  const call = await openCall('mine');
  expect((await add({ call }, 'imre', 'bea', '2026-12-20')).status).toBe(403);
  const mine = (await add({ call }, 'imre', 'imre', '2026-12-20')).body as DayItem;
  expect((await move(mine, { person: ids.get('bea') }, 'imre')).status).toBe(403);
  expect((await move(mine, { priority: 'danger' }, 'imre')).body).toMatchObject({ priority: 'danger' });
  const remove = async (by: string) =>
    api()
      .delete(`/api/days/items/${mine.id}`)
      .set(await signIn(by));
  expect((await remove('bea')).status).toBe(403);
  expect((await remove('imre')).status).toBe(204);
  expect((await remove('imre')).status).toBe(404);
});

test.each([
  [{}, 400, /Name a call/],
  [{ duty: 'anode' }, 400, /the machine/],
  [{ duty: 'sweeping' }, 400, /duty/],
  [{ call: v7() }, 404, /no call/],
  [{ duty: 'anode', machine: v7() }, 404, /not in the register/],
])('%j is no item: what to do is said', async (more, status, says) => {
  const answer = await add(more);
  expect([answer.status, (answer.body as { detail: string }).detail]).toEqual([status, expect.stringMatching(says)]);
});

test('a slot that is none, a day that is none, and a place that is gone meanwhile', async () => {
  const call = await openCall('x');
  expect((await add({ call, slot: 'morning' })).status).toBe(400);
  expect((await add({ call }, 'rosa', 'imre', '2026-02-30')).status).toBe(400);
  const item = (await add({ call }, 'rosa', 'imre', '2026-12-24')).body as DayItem;
  expect((await move(item, { before: v7() })).status).toBe(409);
});
