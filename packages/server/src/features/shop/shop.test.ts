import { openHouse } from '../../../test/house';

const { api, signIn } = openHouse();

const read = async () =>
  (
    await api()
      .get('/api/shop/limits')
      .set(await signIn('bea'))
  ).body as unknown;
const set = async (name: string, body: object) => {
  const answer = await api()
    .put('/api/shop/limits')
    .set(await signIn(name))
    .send(body);
  return { status: answer.status, detail: (answer.body as { detail?: string }).detail ?? '' };
};

test('practice’s own limits hold until a lead or an admin is stricter; everybody reads them', async () => {
  expect(await read()).toEqual({ coFind: 9, coOff: 35, coOut: 70 });
  expect((await set('rosa', { coFind: 5, coOff: 20, coOut: 50 })).status).toBe(200);
  expect(await read()).toEqual({ coFind: 5, coOff: 20, coOut: 50 });
  expect((await set('office', { coFind: 9, coOff: 30, coOut: 70 })).status).toBe(200);
  expect(await read()).toEqual({ coFind: 9, coOff: 30, coOut: 70 });
});

test.each([
  ['imre', { coFind: 5, coOff: 20, coOut: 50 }, 403, /A lead or an admin/],
  ['bea', { coFind: 5, coOff: 20, coOut: 50 }, 403, /A lead or an admin/],
  ['rosa', { coFind: 10, coOff: 20, coOut: 50 }, 400, /coFind/],
  ['rosa', { coFind: 5, coOff: 36, coOut: 50 }, 400, /coOff/],
  ['office', { coFind: 5, coOff: 20, coOut: 71 }, 400, /coOut/],
  ['rosa', { coFind: 0, coOff: 20, coOut: 50 }, 400, /coFind/],
  ['rosa', { coFind: 9, coOff: 8, coOut: 50 }, 400, /Correct the three values/],
  ['rosa', { coFind: 5.5, coOff: 20, coOut: 50 }, 400, /coFind/],
  ['rosa', { coFind: 5, coOff: 20 }, 400, /coOut/],
])('%s cannot set %j', async (name, limits, status, words) => {
  const before = await read();
  const answer = await set(name, limits);
  expect(answer.status).toBe(status);
  expect(answer.detail).toMatch(words);
  expect(await read()).toEqual(before);
});
