import type { Instrument, NewInstrument } from '@zetalysis/contract';
import { openHouse } from '../../../test/house';

const { api, signIn } = openHouse();

const METER: NewInstrument = {
  kind: 'multimeter',
  title: 'Meter 9',
  serial: 'ZM-9',
  classes: { ohms: { percent: 0.5, digits: 2 } },
  calibrated: '2026-03-14',
  due: '2027-03-14',
  leadZero: 0.21,
  retired: false,
};

const all = async () =>
  (
    await api()
      .get('/api/instruments')
      .set(await signIn('bea'))
  ).body as Instrument[];

async function write(name: string, body: object, id?: string) {
  const path = id === undefined ? '/api/instruments' : `/api/instruments/${id}`;
  const request = id === undefined ? api().post(path) : api().put(path);
  const answer = await request.set(await signIn(name)).send(body);
  return { status: answer.status, body: answer.body as Instrument & { detail?: string } };
}

test('the register is read by everybody, those that are not used any more last', async () => {
  const found = await all();
  expect(found.length).toBeGreaterThan(3);
  expect(found.map((i) => i.retired)).toEqual([...found.map((i) => i.retired)].sort());
  expect(found.find((i) => i.serial === 'ZM-2207')).toMatchObject({
    title: 'Meter 2',
    leadZero: 0.3,
    provedBefore: null,
  });
});

test('one is written down, corrected and put away, and comes back as it was written', async () => {
  const added = await write('imre', METER);
  expect(added.status).toBe(201);
  expect(added.body).toMatchObject(METER);
  const { id } = added.body;
  const corrected = { ...METER, title: 'Meter 9, spare', leadZero: null, due: null, retired: true };
  expect((await write('rosa', corrected, id)).body).toMatchObject(corrected);
  expect((await all()).find((i) => i.id === id)).toMatchObject(corrected);
});

test('every time that it showed a live source is kept; the last one is shown, before and after apart', async () => {
  const { id } = (await all()).find((i) => i.serial === 'ZM-2511')!;
  const prove = async (name: string, when: string) => {
    const answer = await api()
      .post(`/api/instruments/${id}/proofs`)
      .set(await signIn(name))
      .send({ when });
    return { status: answer.status, body: answer.body as Instrument };
  };
  expect((await prove('imre', 'before')).body).toMatchObject({ provedBefore: { by: 'imre' }, provedAfter: null });
  expect((await prove('bea', 'after')).body).toMatchObject({
    provedBefore: { by: 'imre' },
    provedAfter: { by: 'bea' },
  });
  expect((await prove('rosa', 'before')).body.provedBefore!.by).toBe('rosa');
  expect((await prove('imre', 'later')).status).toBe(400);
});

test.each([
  ['an apprentice writes none', 'bea', {}, 403, /keeps the register/],
  ['a serial number twice', 'imre', { serial: 'ZM-2207' }, 409, /Another instrument/],
  [
    'a class of what it does not measure',
    'imre',
    { classes: { clamp: { percent: 1, digits: 0 } } },
    400,
    /does not measure clamp/,
  ],
  ['due before it was calibrated', 'imre', { due: '2026-03-01' }, 400, /after it was calibrated/],
  ['a day that is none', 'imre', { due: '14.3.2027' }, 400, /2026-11-30/],
  ['leads of forty ohms', 'imre', { leadZero: 40 }, 400, /leadZero/],
  ['a class that is none', 'imre', { classes: { ohms: { percent: 90, digits: 1 } } }, 400, /percent/],
  ['no name', 'imre', { title: ' ' }, 400, /title/],
  ['a kind that is none', 'imre', { kind: 'scope' }, 400, /kind/],
])('%s', async (_, name, change, status, words) => {
  const before = await all();
  const answer = await write(name, { ...METER, serial: 'ZM-10', ...change });
  expect(answer.status).toBe(status);
  expect(answer.body.detail).toMatch(words);
  expect(await all()).toEqual(before);
});

test('one that is not there is said not to be there', async () => {
  const nobody = '01890000-0000-7000-8000-000000000000';
  expect((await write('imre', METER, nobody)).status).toBe(404);
});
