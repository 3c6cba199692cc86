import type { KeptItem, StockItem, StockMove } from '@zetalysis/contract';
import { openHouse } from '../../../test/house';

const { api, signIn } = openHouse();

const ITEM: StockItem = {
  title: 'Igniter, carbide, long',
  number: 'LV-IG9',
  price: 31.5,
  room: 0.4,
  fits: [{ profile: 'furnace-condensing', part: 'igniter' }],
};

async function send<R>(name: string, method: 'post' | 'put', path: string, body: object) {
  const asked = method === 'post' ? api().post(`/api/stock${path}`) : api().put(`/api/stock${path}`);
  const answer = await asked.set(await signIn(name)).send(body);
  return { status: answer.status, body: answer.body as R & { detail?: string } };
}
const add = async (item: Partial<StockItem> = {}) =>
  (await send<KeptItem>('imre', 'post', '', { ...ITEM, ...item })).body;
const move = (name: string, ...moves: Partial<StockMove>[]) =>
  send<KeptItem[]>(name, 'post', '/moves', {
    moves: moves.map((m) => ({ place: 'shelf', units: 1, why: 'counted', ...m })),
  });
async function held(id: string): Promise<KeptItem['held']> {
  const { body } = await api()
    .get('/api/stock')
    .set(await signIn('bea'));
  return (body as KeptItem[]).find((i) => i.id === id)!.held;
}
async function imre(): Promise<string> {
  const { body } = await api()
    .get('/api/people')
    .set(await signIn('imre'));
  return (body as { id: string; name: string }[]).find((p) => p.name === 'imre')!.id;
}

test('what came and went adds up, by place, and a load leaves the shelf as it reaches the van', async () => {
  const { id } = await add();
  const van = await imre();
  await move('bea', { item: id, units: 5, why: 'bought' });
  const { body } = await move(
    'bea',
    { item: id, units: -2, why: 'loaded' },
    { item: id, units: 2, place: van, why: 'loaded' },
  );
  expect(body.find((i) => i.id === id)!.held).toHaveLength(2);
  await move('imre', { item: id, place: van, units: -1, why: 'fitted' });
  await send('imre', 'put', `/${id}/least`, { place: 'shelf', least: 4 });
  await send('imre', 'put', `/${id}/least`, { place: 'shelf', least: 6 });
  expect(await held(id)).toEqual(
    expect.arrayContaining([
      { place: 'shelf', units: 3, least: 6 },
      { place: van, units: 1, least: 0 },
    ]),
  );
});

test('more than lies there does not go, and nothing of that load does', async () => {
  const [a, b] = [await add(), await add({ title: 'Flame rod, long' })];
  await move('bea', { item: a.id, units: 3 });
  const refused = await move('bea', { item: a.id, units: -1 }, { item: b.id, units: -1 });
  expect(refused.status).toBe(409);
  expect(refused.body.detail).toMatch(/Of Flame rod, long none lies on the shelf/);
  expect(await held(a.id)).toEqual([{ place: 'shelf', units: 3, least: 0 }]);
  const many = await move('bea', { item: a.id, units: -4 });
  expect(many.body.detail).toMatch(/only 3 lie on the shelf/);
});

test('two who take the last one at once: one of them gets it', async () => {
  const { id } = await add();
  await move('bea', { item: id });
  const taken = await Promise.all([1, 2].map(() => move('bea', { item: id, units: -1 })));
  expect(taken.map(({ status }) => status).sort()).toEqual([200, 409]);
});

test('a part that is written otherwise keeps what lies where; a new price counts from then on', async () => {
  const { id } = await add();
  await move('bea', { item: id, units: 2 });
  const { body } = await send<KeptItem>('office', 'put', `/${id}`, { ...ITEM, price: 34, number: 'LV-IG9A' });
  expect(body).toMatchObject({ id, price: 34, number: 'LV-IG9A', held: [{ place: 'shelf', units: 2 }] });
});

test.each([
  ['a part without a name', { title: '' }, /title/],
  ['a price below nothing', { price: -1 }, /price/],
  ['twice in the same place', { fits: [ITEM.fits[0]!, ITEM.fits[0]!] }, /Take one out/],
])('%s is not taken', async (_, item, words) => {
  const { status, body } = await send<KeptItem>('imre', 'post', '', { ...ITEM, ...item });
  expect(status).toBe(400);
  expect(body.detail).toMatch(words);
});

test('a van of nobody, and a part that is none', async () => {
  const none = '01890000-0000-7000-8000-000000000000';
  const { id } = await add();
  expect((await move('bea', { item: id, place: none })).body.detail).toMatch(/nobody with this number/);
  expect((await move('bea', { item: none })).status).toBe(404);
  expect((await move('bea', { item: id, why: 'lost' as never })).status).toBe(400);
});
