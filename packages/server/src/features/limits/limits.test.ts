import type { Limit, NewLimit } from '@zetalysis/contract';
import { openHouse } from '../../../test/house';

const { api, signIn } = openHouse();

async function machine(): Promise<string> {
  const { body } = await api()
    .get('/api/machines')
    .set(await signIn('imre'));
  return (body as { machines: { id: string }[] }).machines[0]!.id;
}
const all = async (of?: string) =>
  (
    await api()
      .get(`/api/limits${of === undefined ? '' : `?machine=${of}`}`)
      .set(await signIn('bea'))
  ).body as Limit[];
async function keep(name: string, limit: Partial<NewLimit>) {
  const answer = await api()
    .put('/api/limits')
    .set(await signIn(name))
    .send({
      machine: null,
      test: 'coil-24v',
      measure: 'dead',
      field: 'shop',
      typed: '13.5-16.5',
      source: '',
      ...limit,
    });
  return { status: answer.status, body: answer.body as Limit & { detail?: string } };
}

test('the shop’s are of all machines, a plate of its own one; the newest counts, and an empty one takes it back', async () => {
  const here = await machine();
  expect((await keep('rosa', {})).status).toBe(200);
  expect((await keep('rosa', { typed: '14-16' })).body).toMatchObject({ typed: '14-16', by: 'rosa' });
  expect((await keep('imre', { machine: here, field: 'plate', typed: 'at least 12', source: 'sheet 4' })).status).toBe(
    200,
  );
  expect((await keep('imre', { machine: here, field: 'own', typed: '14.8' })).status).toBe(200);
  expect((await all()).map((l) => [l.field, l.typed])).toEqual([['shop', '14-16']]);
  expect((await all(here)).map((l) => [l.field, l.typed, l.source, l.by])).toEqual([
    ['shop', '14-16', '', 'rosa'],
    ['plate', 'at least 12', 'sheet 4', 'imre'],
    ['own', '14.8', '', 'imre'],
  ]);
  expect((await keep('imre', { machine: here, field: 'plate', typed: '' })).status).toBe(200);
  expect((await all(here)).map((l) => l.field)).toEqual(['shop', 'own']);
});

test.each([
  ['a technician sets none of the shop', 'imre', {}, 403, /lead or an admin/],
  ['an apprentice writes down no plate', 'bea', { machine: 'here', field: 'plate' as const }, 403, /technician/],
  ['a plate of no machine', 'imre', { field: 'plate' as const }, 400, /of one/],
  ['a shop’s of one machine', 'rosa', { machine: 'here' }, 400, /of all machines/],
  ['one that cannot be read', 'rosa', { typed: 'plenty' }, 400, /reading/],
  ['one end where two are wanted', 'rosa', { typed: '14' }, 400, /two ends/],
  [
    'a range where one number is wanted',
    'imre',
    { machine: 'here', field: 'own' as const, typed: '13-15' },
    400,
    /one number/,
  ],
  ['a test that is none', 'rosa', { test: 'toaster' }, 400, /no measure/],
  ['a name that is none', 'rosa', { test: "x'; DROP" }, 400, /test/],
  [
    'a machine that is none',
    'imre',
    { machine: '01890000-0000-7000-8000-000000000000', field: 'plate' as const },
    404,
    /register/,
  ],
])('%s', async (_, name, limit, status, words) => {
  const here = await machine();
  const before = await all(here);
  const answer = await keep(name, {
    ...limit,
    ...('machine' in limit && limit.machine === 'here' && { machine: here }),
  });
  expect(answer.status).toBe(status);
  expect(answer.body.detail).toMatch(words);
  expect(await all(here)).toEqual(before);
});
