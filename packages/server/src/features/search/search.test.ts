import type { Machine, Replied, search } from '@zetalysis/contract';
import { v7 } from 'uuid';
import { made, openHouse, opening } from '../../../test/house';

const house = openHouse();
const { api, signIn } = house;

const find = async (words: string) =>
  (
    await api()
      .get('/api/search')
      .query({ words })
      .set(await signIn('bea'))
  ).body as Replied<typeof search.find>;

let call: string;
const send = async (...events: object[]) => {
  const answer = await api()
    .post(`/api/calls/${call}/events`)
    .set(await signIn())
    .send({ events });
  expect([answer.status, (answer.body as { detail?: string }).detail]).toEqual([200, undefined]);
};
beforeAll(async () => {
  call = v7();
  const { machines } = (
    await api()
      .get('/api/machines')
      .set(await signIn())
  ).body as { machines: Machine[] };
  await send(made(call, { ...opening, machine: machines[0]!.id }));
});

test('machines and sites by their names', async () => {
  expect((await find('mill lane')).machines.map((m) => m.label)).toEqual(['Furnace, Mill Lane 14']);
  expect((await find('bakery')).machines).toHaveLength(1);
});

test('notes, breaks, parts and codes by what is written in them; a code that is too short for an index of words too', async () => {
  await send(
    made(call, { type: 'note', text: 'Squirrel nest in the intake' }, 2),
    made(call, { type: 'code', code: 'E4' }, 3),
    made(call, { type: 'part-needed', what: 'Squirrel-proof terminal', from: '', expected: '' }, 4),
  );
  expect((await find('squirrel')).entries.map((e) => e.kind).sort()).toEqual(['note', 'part-needed']);
  expect((await find('squirrel intake')).entries.map((e) => e.kind)).toEqual(['note']);
  expect((await find('E4')).entries).toMatchObject([
    { kind: 'code', call, machine: { label: expect.any(String) as string } },
  ]);
  expect((await find('walrus')).entries).toEqual([]);
  // The demo's records, from before anybody searched.
  expect((await find('coil')).entries.some((e) => e.kind === 'break-recorded')).toBe(true);
});

test('what was taken back is found no more', async () => {
  const note = made(call, { type: 'note', text: 'Badger under the shed' }, 5);
  await send(note);
  expect((await find('badger')).entries).toHaveLength(1);
  await send(made(call, { type: 'retracted', event: note.id }, 7));
  expect((await find('badger')).entries).toEqual([]);
});

test('what nobody can look for is said', async () => {
  const answer = await api()
    .get('/api/search')
    .query({ words: 'x'.repeat(101) })
    .set(await signIn());
  expect(answer.status).toBe(400);
});
