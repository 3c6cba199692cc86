import type { Colleague, NewResult, PracticeResult, PracticeStanding } from '@zetalysis/contract';
import { v7 } from 'uuid';
import { openHouse } from '../../../test/house';

const { api, signIn } = openHouse();

const ids = new Map<string, string>();
beforeAll(async () => {
  const people = (
    await api()
      .get('/api/people')
      .set(await signIn())
  ).body as Colleague[];
  for (const { name, id } of people) ids.set(name, id);
});

let seeds = 100;
const result = (more: Partial<NewResult> = {}): NewResult => ({
  id: v7(),
  code: `2.${(seeds++).toString(36)}.d4.steam-standing-pilot`,
  level: 2,
  title: 'The limit is open: found and proved',
  mark: 92,
  proved: true,
  critical: false,
  minutes: 11.5,
  planned: 10,
  confused: ['thermostat'],
  at: new Date(Date.parse('2026-11-01T09:00:00.000Z') + seeds * 60_000).toISOString(),
  moves: JSON.stringify([{ at: 0, body: { type: 'hint', hint: 'half' } }]),
  ...more,
});
const keep = async (name: string, given: object) => {
  const { status, body } = await api()
    .post('/api/practice/results')
    .set(await signIn(name))
    .send(given);
  return { status, body: body as PracticeResult & { detail?: string } };
};
const standing = async (name: string) =>
  (
    await api()
      .get('/api/practice')
      .set(await signIn(name))
  ).body as PracticeStanding;
const post = async (name: string, what: 'set' | 'signed', given: object) => {
  const { status, body } = await api()
    .post(`/api/practice/${what}`)
    .set(await signIn(name))
    .send(given);
  return { status, body: body as PracticeStanding & { detail?: string } };
};

test('what was played comes back on every device of theirs, and to a lead; sent twice it is one, and the first time counts', async () => {
  const first = result();
  expect((await keep('bea', first)).body).toMatchObject({ id: first.id, mark: 92, person: ids.get('bea') });
  expect((await keep('bea', first)).status).toBe(200);
  // Played again on another device, before that one knew.
  expect((await keep('bea', { ...first, id: v7(), mark: 100 })).body).toMatchObject({ id: first.id, mark: 92 });
  await keep('imre', result({ mark: 70 }));
  expect((await standing('bea')).results).toEqual([
    expect.objectContaining({ code: first.code, minutes: 11.5, confused: ['thermostat'], at: first.at }),
  ]);
  expect((await standing('imre')).results.map(({ mark }) => mark)).toEqual([70]);
  expect((await standing('rosa')).results.map(({ mark }) => mark).sort()).toEqual([70, 92]);
  const read = async (name: string) =>
    api()
      .get(`/api/practice/results/${first.id}`)
      .set(await signIn(name));
  expect((await read('bea')).body).toEqual(first);
  expect((await read('rosa')).body).toEqual(first);
  expect((await read('imre')).status).toBe(404);
});

test('the number of somebody else’s exercise is not taken', async () => {
  const theirs = result();
  await keep('bea', theirs);
  const answer = await keep('imre', { ...result(), id: theirs.id });
  expect([answer.status, answer.body.detail]).toEqual([409, expect.stringMatching(/somebody else/)]);
});

test.each([
  [{ code: 'toaster' }, /link/],
  [{ moves: '{}' }, /list/],
  [{ moves: 'not json' }, /list/],
  [{ level: 8 }, /level/],
  [{ minutes: -1 }, /minutes/],
  [{ at: 'yesterday' }, /at/],
  [{ secret: 1 }, /secret/],
])('%j is refused, and what to do is said', async (more, says) => {
  const answer = await keep('bea', { ...result(), ...more });
  expect([answer.status, answer.body.detail]).toEqual([400, expect.stringMatching(says)]);
});

test('a lead sets an exercise; who it is for sees it, others do not', async () => {
  const code = '4.zz1.d4.hydronic-boiler';
  const bea = ids.get('bea');
  expect((await post('imre', 'set', { person: bea, code, words: '' })).status).toBe(403);
  expect((await post('rosa', 'set', { person: v7(), code, words: '' })).status).toBe(404);
  expect((await post('rosa', 'set', { person: bea, code: '9.nothing', words: '' })).status).toBe(400);
  expect((await post('rosa', 'set', { person: bea, code, words: 'before Monday' })).status).toBe(201);
  expect((await standing('bea')).set).toEqual([expect.objectContaining({ code, words: 'before Monday', by: 'rosa' })]);
  expect((await standing('imre')).set).toEqual([]);
});

test('a level is signed off when it was passed, by a lead, with what is missing said before; it grants nothing', async () => {
  const ines = ids.get('bea')!;
  const played = (critical: boolean) =>
    result({ level: 5, code: `5.${(seeds++).toString(36)}.d4.dryer-burner`, critical });
  for (let i = 0; i < 4; i++) await keep('bea', played(false));
  const early = await post('rosa', 'signed', { person: ines, level: 5, words: '' });
  expect([early.status, early.body.detail]).toEqual([409, expect.stringMatching(/1 more without a critical act/)]);
  await keep('bea', played(false));
  expect((await post('imre', 'signed', { person: ines, level: 5, words: '' })).status).toBe(403);
  const people = async () =>
    JSON.stringify(
      (
        await api()
          .get('/api/people')
          .set(await signIn())
      ).body,
    );
  const before = await people();
  expect((await post('rosa', 'signed', { person: ines, level: 5, words: 'beside Imre, two weeks' })).status).toBe(201);
  expect((await standing('bea')).signed).toEqual([
    expect.objectContaining({ level: 5, words: 'beside Imre, two weeks', by: 'rosa' }),
  ]);
  expect(await people()).toBe(before);
});
