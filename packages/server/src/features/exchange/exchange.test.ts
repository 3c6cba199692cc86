import type { Replied, exchange, KeptItem, Machine } from '@zetalysis/contract';
import Papa from 'papaparse';
import { v7 } from 'uuid';
import { made, openHouse, opening } from '../../../test/house';

type Came = Replied<typeof exchange.bringIn>;

const house = openHouse();
const { api, signIn } = house;

const PICTURE = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg==';
const takeOut = async (file: string) =>
  api()
    .get(`/api/export/${file}`)
    .set(await signIn('office'))
    .buffer(true)
    .parse((res, then) => {
      let text = '';
      res.setEncoding('utf8');
      res.on('data', (part: string) => (text += part));
      res.on('end', () => then(null, text));
    });
const textOf = (answer: { body: unknown }): string => answer.body as string;
const bring = async (text: string, dry: boolean): Promise<Came> =>
  (
    await api()
      .post('/api/import')
      .set(await signIn('office'))
      .send({ text, dry })
  ).body as Came;

/** A file as another shop would have written it: the same under other ids, by the same people. */
function ofAnotherShop(file: string): string {
  const people = new Set([...file.matchAll(/"kind":"person","id":"([^"]+)"/g)].map((m) => m[1]!));
  const ids = new Map<string, string>();
  return file.replace(/[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[0-9a-f]{4}-[0-9a-f]{12}/g, (id) => {
    if (people.has(id)) return id;
    if (!ids.has(id)) ids.set(id, v7());
    return ids.get(id)!;
  });
}

/** A machine with a customer, a call with a photo, and a duty that was done. */
async function lived(): Promise<{ machine: string; call: string }> {
  const me = await signIn();
  const register = {
    label: 'Tank',
    site: '=HYPERLINK("x")',
    make: '',
    modelName: '',
    serial: '',
    profile: 'storage-water-heater',
    build: { options: [], order: {} },
  };
  const machine = ((await api().post('/api/machines').set(me).send(register)).body as Machine).id;
  await api()
    .put(`/api/machines/${machine}/contact`)
    .set(me)
    .send({ customer: 'Lund', telephone: '555', access: 'dog' });
  const call = v7();
  const events = [made(call, { ...opening, machine }), made(call, { type: 'note', text: 'A note, with “signs”' }, 2)];
  await api().post(`/api/calls/${call}/events`).set(me).send({ events });
  await api().put(`/api/photos/${v7()}`).set(me).send({ call, type: 'image/png', data: PICTURE });
  const done = { duty: 'anode', day: '2026-11-01', result: 'good', words: 'half left' };
  await api().post(`/api/machines/${machine}/upkeep`).set(me).send(done);
  const rosa = await signIn('rosa');
  await api().put(`/api/machines/${machine}/upkeep/plan`).set(rosa).send({ duty: 'anode', every: 730 });
  const plate = { machine, test: 'coil-24v', measure: 'dead', field: 'plate', typed: '13.5-16.5', source: 'plate' };
  await api().put('/api/limits').set(rosa).send(plate);
  return { machine, call };
}

test('one machine with all that belongs to it goes from one shop into another, and taken out there it is the same', async () => {
  const { machine } = await lived();
  const file = ofAnotherShop(textOf(await takeOut(`shop.jsonl?machine=${machine}&photos=yes`)));
  const its = /"kind":"machine","id":"([^"]+)"/.exec(file)![1]!;
  expect(file.split('\n')[0]).toContain('zetalysis-shop/1');
  expect(file).not.toMatch(/argon|passwordHash/);
  const dry = await bring(file, true);
  expect(dry.counts).toMatchObject({ wrong: 0 });
  expect(dry.lines.filter((l) => l.becomes === 'new').map((l) => l.kind)).toEqual(
    expect.arrayContaining(['machine', 'contact', 'duty', 'plan', 'limit', 'entry', 'photo']),
  );
  // A dry run writes nothing: it says the same again.
  expect(await bring(file, true)).toEqual(dry);
  expect((await bring(file, false)).counts.new).toBe(dry.counts.new);
  const again = await bring(file, false);
  expect(again.counts).toMatchObject({ new: 0, wrong: 0 });
  const lines = (text: string): string[] =>
    text
      .split('\n')
      .slice(1)
      .filter((l) => !/"kind":"(person|photo)"/.test(l));
  expect(lines(textOf(await takeOut(`shop.jsonl?machine=${its}&photos=yes`)))).toEqual(lines(file));
});

test('the whole shop changes nothing where it was taken out; settings and instruments are in it', async () => {
  await lived();
  const file = textOf(await takeOut('shop.jsonl'));
  for (const kind of ['settings', 'instrument', 'plan', 'limit', 'stock-item', 'stock-move', 'stock-least'])
    expect(file).toContain(`"kind":"${kind}"`);
  expect((await bring(file, false)).counts).toMatchObject({ new: 0, differs: 0, wrong: 0 });
});

test('stock and rates of another shop come in: its vans are those of its people here, its versions keep their numbers', async () => {
  const me = await signIn('office');
  const stock = async () => (await api().get('/api/stock').set(me)).body as KeptItem[];
  const units = (items: readonly KeptItem[]): number =>
    items.flatMap((i) => i.held.map((h) => h.units)).reduce((a, b) => a + b, 0);
  const before = await stock();
  const file = textOf(await takeOut('shop.jsonl'));
  const people = file.split('\n').filter((l) => l.includes('"kind":"person"'));
  const kept = ofAnotherShop(file)
    .split('\n')
    .filter((l) => l.includes('"kind":"stock-'));
  const person = (JSON.parse(people[0]!) as { id: string }).id;
  const at = '2026-11-01T09:00:00.000Z';
  const book = JSON.stringify({ format: 'zetalysis-rates/1', families: {} });
  const rates = { kind: 'rates', version: 77, person, at, words: 'theirs', cases: 3, book };
  const published = { kind: 'rates-published', id: v7(), person, at, words: 'theirs', version: 77 };
  const wrong = [
    { ...rates, version: 78, book: '{}' },
    { ...published, id: v7(), version: 79 },
    { ...rates, version: 80, person: v7() },
  ];
  const text = [...people, ...kept, ...[rates, published, ...wrong].map((l) => JSON.stringify(l))].join('\n');
  const { counts, lines } = await bring(text, false);
  expect(counts).toMatchObject({ wrong: 3, new: kept.length + 2 });
  expect(lines.filter((l) => l.becomes === 'wrong').map((l) => l.words)).toEqual([
    expect.stringMatching(/cannot be read/),
    expect.stringMatching(/neither here nor/),
    expect.stringMatching(/neither here nor/),
  ]);
  const after = await stock();
  expect(after).toHaveLength(2 * before.length);
  expect(units(after)).toBe(2 * units(before));
  expect((await api().get('/api/rates/current').set(me)).body).toEqual({ version: 77 });
  expect((await bring(text, false)).counts).toMatchObject({ new: 0, wrong: 3 });
  expect((await bring(JSON.stringify({ ...rates, book: `${book} ` }), false)).counts).toMatchObject({ differs: 1 });
});

test('what is here otherwise stays, what cannot be is told with its line and why; the rest is brought in', async () => {
  const { machine, call } = await lived();
  const file = textOf(await takeOut(`shop.jsonl?machine=${machine}`));
  const stranger = made(v7(), { type: 'note', text: 'x' }, 2);
  const text = [
    file.replace('"Lund"', '"Somebody else"').replace('A note, with', 'Another note, with'),
    'no json',
    JSON.stringify({ kind: 'toaster' }),
    JSON.stringify({ kind: 'entry', event: stranger, as: null }),
    JSON.stringify({ kind: 'contact', machine: v7(), customer: 'x', telephone: '', access: '' }),
    JSON.stringify({ kind: 'machine', id: 'x' }),
    JSON.stringify({ kind: 'entry', event: made(call, { type: 'note', text: 'new' }, 3), as: null }),
  ].join('\n');
  const { counts, lines } = await bring(text, false);
  expect(counts).toMatchObject({ wrong: 5 });
  expect(lines.filter((l) => l.becomes === 'differs').map((l) => l.kind)).toEqual(
    expect.arrayContaining(['contact', 'entry']),
  );
  const told = lines.filter((l) => l.becomes === 'wrong').map((l) => l.words);
  expect(told[0]).toMatch(/not JSON/);
  expect(told[1]).toMatch(/person, machine/);
  expect(told[2]).toMatch(/opens its call/);
  expect(told[3]).toMatch(/Its machine/);
  expect(lines.at(-1)).toMatchObject({ kind: 'entry', becomes: 'new' });
});

test('a file of something else is told at its first line', async () =>
  expect((await bring('{"format":"other/2"}', true)).lines).toMatchObject([
    { line: 1, becomes: 'wrong', words: expect.stringMatching(/not zetalysis-shop/) },
  ]));

test.each(['calls', 'breaks', 'readings', 'machines', 'parts', 'due'])(
  '%s as a table that a spreadsheet reads',
  async (table) => {
    await lived();
    const answer = await takeOut(`${table}.csv`);
    expect(answer.status).toBe(200);
    expect(answer.headers['content-type']).toMatch(/text\/csv/);
    const { data, errors } = Papa.parse<Record<string, string>>(textOf(answer), { header: true });
    expect(errors).toEqual([]);
    expect(data.length).toBeGreaterThan(0);
    // What begins like a formula is shown and not run.
    for (const row of data) for (const value of Object.values(row)) expect(value).not.toMatch(/^[=+@]/);
  },
);

test('a reading stands as it was typed, and in SI', async () => {
  const { data } = Papa.parse<Record<string, string>>(textOf(await takeOut('readings.csv')), { header: true });
  const typed = data.find((r) => r['typed'] === '6.9inwc')!;
  // 1 in w.c. is 249.089 Pa (NIST SP 811, B.8, water at 4 °C).
  expect(Number(typed['value']) / 6.9).toBeCloseTo(249.089, 0);
  expect(typed['dimension']).toBe('pressure');
});

test('a customer’s record is erased: who they are and the photos of the calls; the calls stay', async () => {
  const { machine, call } = await lived();
  const erase = async (name: string) =>
    api()
      .delete(`/api/machines/${machine}/customer`)
      .set(await signIn(name));
  expect((await erase('rosa')).status).toBe(403);
  expect((await erase('office')).body).toEqual({ photos: 1, calls: 1 });
  const me = await signIn();
  expect((await api().get(`/api/machines/${machine}/contact`).set(me)).body).toEqual({
    customer: '',
    telephone: '',
    access: '',
  });
  expect((await api().get(`/api/calls/${call}`).set(me)).status).toBe(200);
  expect(textOf(await takeOut(`shop.jsonl?machine=${machine}&photos=yes`))).not.toContain('Lund');
});

test('who may not, and what is not there', async () => {
  const get = async (name: string, file: string) =>
    (
      await api()
        .get(`/api/export/${file}`)
        .set(await signIn(name))
    ).status;
  expect(await get('imre', 'calls.csv')).toBe(403);
  expect(await get('rosa', 'calls.csv')).toBe(200);
  expect(await get('rosa', 'passwords.csv')).toBe(404);
  expect(await get('rosa', `shop.jsonl?machine=${v7()}`)).toBe(404);
  expect((await api().get('/api/export/calls.csv')).status).toBe(401);
});
