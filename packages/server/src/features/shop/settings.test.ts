import type { ShopSettings } from '@zetalysis/contract';
import { openHouse } from '../../../test/house';

const { api, signIn } = openHouse();

const OURS: ShopSettings = {
  name: 'Tindall Heating',
  address: '2 Weir Street',
  currency: '$',
  hour: 118.5,
  paper: 'A4',
};
const set = async (body: object) =>
  api()
    .put('/api/shop/settings')
    .set(await signIn('rosa'))
    .send(body);
const read = async (path = '') =>
  (
    await api()
      .get(`/api/shop/settings${path}`)
      .set(await signIn('bea'))
  ).body as unknown;

test('what stands on the paper: the newest counts, what was before is kept with who set it', async () => {
  const before = (await read('/versions')) as unknown[];
  expect((await set(OURS)).status).toBe(200);
  expect((await set({ ...OURS, hour: null, name: 'Tindall & Daughter' })).status).toBe(200);
  expect(await read()).toEqual({ ...OURS, hour: null, name: 'Tindall & Daughter' });
  const after = (await read('/versions')) as unknown[];
  expect(after).toHaveLength(before.length + 2);
  expect(after.slice(0, 2)).toMatchObject([
    { name: 'Tindall & Daughter', hour: null, by: 'Rosa Tindall' },
    { name: 'Tindall Heating', hour: 118.5 },
  ]);
});

test.each([
  [{ ...OURS, hour: -1 }, /hour/],
  [{ ...OURS, paper: 'A5' }, /paper/],
  [{ ...OURS, name: '   ' }, /name/],
  [{ ...OURS, currency: 'far too long' }, /currency/],
])('%j is refused with the field that is wrong', async (body, words) => {
  const answer = await set(body);
  expect(answer.status).toBe(400);
  expect((answer.body as { detail: string }).detail).toMatch(words);
});
