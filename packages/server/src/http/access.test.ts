import { CONTRACT, type AnyEndpoint, type Colleague } from '@zetalysis/contract';
import { BLANK_SHEET } from '@zetalysis/core/history';
import { GRANTS } from '@zetalysis/core/rules';
import { v7 } from 'uuid';
import { type Credentials, made, openHouse, opening } from '../../test/house';

const house = openHouse();
const { api, signIn } = house;

/** Who asks, in the order of the table's columns. */
const ROLES = ['nobody', 'bea', 'imre', 'rosa', 'office'] as const;
type Person = (typeof ROLES)[number];

const PICTURE = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg==';
const PLAIN = { options: [], order: {} };
const CORRECTION = { label: 'A', site: 'B', make: 'C', modelName: '', serial: '' };
const CLAMP = {
  kind: 'clamp',
  title: 'Clamp 7',
  serial: 'ZC-7',
  classes: {},
  calibrated: null,
  due: null,
  leadZero: null,
  retired: false,
};
const DONE = { duty: 'co-alarm', day: '2026-11-01', result: 'good', words: '' };
const FILLED = { day: '2026-11-01', result: 'good', by: 'Lund', words: '' };
const ACCOUNT = { fullName: 'Nell Ashby', role: 'technician', units: 'us' };
const SETTINGS = { name: 'A', address: '', currency: '$', hour: 118.5, paper: 'A4' };
const LIMIT = { test: 'coil-24v', measure: 'dead', typed: '13.5-16.5', source: '' };
const STOCKED = { title: 'Igniter', number: '', price: 20, room: null, fits: [] };
const PLAYED = {
  id: v7(),
  code: '2.abc.d4.steam-standing-pilot',
  level: 2,
  title: 'The limit is open',
  mark: 90,
  proved: true,
  critical: false,
  minutes: 12.5,
  planned: 10,
  confused: [],
  at: '2026-11-01T09:00:00.000Z',
  moves: '[]',
};
const MACHINE = { label: 'A', site: 'B', make: '', modelName: '', serial: '', profile: 'dryer-burner', build: PLAIN };

/** What is asked for: `:machine`, `:call` and `:photo` are there, the photo taken by the technician; `:none` is not. */
type Body = object | ((person: Person) => object);

/** By hand: what nobody, apprentice, technician, lead and admin are answered. */
const TABLE: readonly (readonly [string, string, Body | undefined, number, number, number, number, number])[] = [
  //  method    path                        body                                      nobody  A    T    L    Ad
  ['GET', '/health', undefined, 200, 200, 200, 200, 200],
  ['GET', '/nowhere', undefined, 404, 404, 404, 404, 404],
  ['GET', '/session', undefined, 401, 200, 200, 200, 200],
  ['GET', '/sessions', undefined, 401, 200, 200, 200, 200],
  ['DELETE', '/sessions/:none', undefined, 401, 404, 404, 404, 404],
  ['PUT', '/session/password', { old: 'wrong', wanted: 'long-enough-now' }, 401, 403, 403, 403, 403],
  ['POST', '/session', {}, 400, 400, 400, 400, 400],
  ['GET', '/people', undefined, 401, 200, 200, 200, 200],
  ['GET', '/shop/limits', undefined, 401, 200, 200, 200, 200],
  ['PUT', '/shop/limits', { coFind: 9, coOff: 35, coOut: 70 }, 401, 403, 403, 200, 200],
  ['PUT', '/shop/limits', { coFind: 9, coOff: 36, coOut: 70 }, 401, 400, 400, 400, 400],
  ['GET', '/shop/settings', undefined, 401, 200, 200, 200, 200],
  ['GET', '/shop/settings/versions', undefined, 401, 200, 200, 200, 200],
  ['PUT', '/shop/settings', SETTINGS, 401, 403, 403, 200, 200],
  ['PUT', '/shop/settings', { ...SETTINGS, name: '' }, 401, 400, 400, 400, 400],
  ['PUT', '/people/:apprentice/grants', { grants: ['line'] }, 401, 403, 403, 200, 200],
  ['PUT', '/people/:lead/grants', { grants: [...GRANTS] }, 401, 403, 403, 403, 200],
  ['PUT', '/people/:none/grants', { grants: [] }, 401, 404, 404, 404, 404],
  ['PUT', '/people/:apprentice/grants', { grants: ['everything'] }, 401, 400, 400, 400, 400],
  ['GET', '/people/audit', undefined, 401, 403, 403, 200, 200],
  ['POST', '/people', (person) => ({ ...ACCOUNT, name: `nell-${person}` }), 401, 403, 403, 403, 201],
  ['POST', '/people', { ...ACCOUNT, name: 'Nell Ashby' }, 401, 400, 400, 400, 400],
  ['PUT', '/people/:none', ACCOUNT, 401, 403, 403, 403, 404],
  ['POST', '/people/:none/password', undefined, 401, 403, 403, 403, 404],
  ['PUT', '/people/:none/disabled', { disabled: true }, 401, 403, 403, 403, 404],
  ['GET', '/people/:none/sessions', undefined, 401, 403, 403, 403, 404],
  ['DELETE', '/people/:none/sessions', undefined, 401, 403, 403, 403, 404],
  ['GET', '/profiles', undefined, 401, 200, 200, 200, 200],
  ['GET', '/profiles/dryer-burner', undefined, 401, 200, 200, 200, 200],
  ['GET', '/profiles/toaster', undefined, 401, 404, 404, 404, 404],
  ['POST', '/profiles', { source: 'title: no profile' }, 401, 403, 400, 400, 400],
  ['GET', '/machines', undefined, 401, 200, 200, 200, 200],
  ['POST', '/machines', MACHINE, 401, 201, 201, 201, 201],
  ['GET', '/machines/:machine', undefined, 401, 200, 200, 200, 200],
  ['PUT', '/machines/:machine', CORRECTION, 401, 200, 200, 200, 200],
  ['PUT', '/machines/:none', CORRECTION, 401, 404, 404, 404, 404],
  ['PUT', '/machines/:machine/sheet', BLANK_SHEET, 401, 200, 200, 200, 200],
  ['PUT', '/machines/:machine/sheet', { ...BLANK_SHEET, made: 'soon' }, 401, 400, 400, 400, 400],
  ['PUT', '/machines/:none/sheet', BLANK_SHEET, 401, 404, 404, 404, 404],
  ['PUT', '/machines/:machine/retired', { retired: null }, 401, 403, 403, 200, 200],
  ['PUT', '/machines/:none/retired', { retired: 'scrapped' }, 401, 404, 404, 404, 404],
  ['PUT', '/machines/:machine/merged', { into: null }, 401, 403, 403, 200, 200],
  ['PUT', '/machines/:machine/merged', { into: v7() }, 401, 403, 403, 404, 404],
  ['GET', '/machines/:machine/changes', undefined, 401, 200, 200, 200, 200],
  ['GET', '/machines/:none/changes', undefined, 401, 404, 404, 404, 404],
  ['GET', '/machines/:machine/resets', undefined, 401, 200, 200, 200, 200],
  ['GET', '/machines/:machine/calls', undefined, 401, 200, 200, 200, 200],
  ['GET', '/machines/:machine/photos', undefined, 401, 200, 200, 200, 200],
  ['GET', '/machines/:machine/readings', undefined, 401, 200, 200, 200, 200],
  ['PUT', '/machines/:machine/wires', {}, 401, 200, 200, 200, 200],
  ['PUT', '/machines/:machine/build', PLAIN, 401, 200, 200, 200, 200],
  ['GET', '/machines/:machine/contact', undefined, 401, 200, 200, 200, 200],
  ['PUT', '/machines/:machine/contact', { customer: 'Q', telephone: '', access: '' }, 401, 200, 200, 200, 200],
  ['GET', '/machines/:none/contact', undefined, 401, 404, 404, 404, 404],
  ['GET', '/instruments', undefined, 401, 200, 200, 200, 200],
  ['POST', '/instruments', (person) => ({ ...CLAMP, serial: `ZC-${person}` }), 401, 403, 201, 201, 201],
  ['PUT', '/instruments/:none', CLAMP, 401, 403, 404, 404, 404],
  ['POST', '/instruments/:none/proofs', { when: 'before' }, 401, 404, 404, 404, 404],
  ['GET', '/limits', undefined, 401, 200, 200, 200, 200],
  ['PUT', '/limits', { ...LIMIT, machine: null, field: 'shop' }, 401, 403, 403, 200, 200],
  ['PUT', '/limits', { ...LIMIT, machine: v7(), field: 'plate' }, 401, 403, 404, 404, 404],
  ['GET', '/upkeep', undefined, 401, 200, 200, 200, 200],
  ['GET', '/machines/:machine/upkeep', undefined, 401, 200, 200, 200, 200],
  ['GET', '/machines/:none/upkeep', undefined, 401, 404, 404, 404, 404],
  ['POST', '/machines/:machine/upkeep', DONE, 401, 201, 201, 201, 201],
  ['POST', '/machines/:machine/upkeep', { ...DONE, day: '2026-02-30' }, 401, 400, 400, 400, 400],
  ['PUT', '/machines/:machine/upkeep/plan', { duty: 'co-alarm', every: 30 }, 401, 403, 403, 200, 200],
  ['GET', '/addresses', undefined, 401, 403, 403, 200, 200],
  ['POST', '/addresses', { kind: 'calendar', label: 'A', machine: null }, 401, 403, 403, 201, 201],
  ['DELETE', '/addresses/:none', undefined, 401, 403, 403, 404, 404],
  // Whoever has the address needs no account.
  ['GET', '/caretaker/:secret', undefined, 404, 404, 404, 404, 404],
  ['POST', '/caretaker/:secret', FILLED, 404, 404, 404, 404, 404],
  ['GET', '/search?words=mill', undefined, 401, 200, 200, 200, 200],
  ['GET', '/search', undefined, 401, 400, 400, 400, 400],
  ['GET', '/days/2026-12-01', undefined, 401, 200, 200, 200, 200],
  ['GET', '/days/2026-02-30', undefined, 401, 400, 400, 400, 400],
  ['POST', '/days', {}, 401, 400, 400, 400, 400],
  ['PUT', '/days/items/:none', {}, 401, 400, 400, 400, 400],
  ['DELETE', '/days/items/:none', undefined, 401, 404, 404, 404, 404],
  ['GET', '/patterns/trends', undefined, 401, 200, 200, 200, 200],
  ['GET', '/stock', undefined, 401, 200, 200, 200, 200],
  ['POST', '/stock', STOCKED, 401, 403, 201, 201, 201],
  ['POST', '/stock', { ...STOCKED, title: '' }, 401, 400, 400, 400, 400],
  ['PUT', '/stock/:none', STOCKED, 401, 403, 404, 404, 404],
  ['PUT', '/stock/:none/least', { place: 'shelf', least: 2 }, 401, 403, 404, 404, 404],
  ['POST', '/stock/moves', { moves: [] }, 401, 400, 400, 400, 400],
  ['GET', '/practice', undefined, 401, 200, 200, 200, 200],
  ['POST', '/practice/results', () => ({ ...PLAYED, id: v7() }), 401, 200, 200, 200, 200],
  ['POST', '/practice/results', { ...PLAYED, mark: 101 }, 401, 400, 400, 400, 400],
  ['GET', '/practice/results/:none', undefined, 401, 404, 404, 404, 404],
  [
    'POST',
    '/practice/set',
    (): object => ({ person: apprentice, code: PLAYED.code, words: '' }),
    401,
    403,
    403,
    201,
    403,
  ],
  ['POST', '/practice/signed', (): object => ({ person: apprentice, level: 2, words: '' }), 401, 403, 403, 409, 403],
  ['GET', '/patterns', undefined, 401, 200, 200, 200, 200],
  ['POST', '/patterns/read', {}, 401, 200, 200, 200, 200],
  ['GET', '/patterns/breaks', undefined, 401, 200, 200, 200, 200],
  ['GET', '/patterns/cases', undefined, 401, 200, 200, 200, 200],
  ['GET', '/patterns/advice', undefined, 401, 200, 200, 200, 200],
  ['GET', '/patterns/advice?whose=shop', undefined, 401, 403, 403, 200, 403],
  ['GET', '/rates', undefined, 401, 200, 200, 200, 200],
  ['GET', '/rates/current', undefined, 401, 200, 200, 200, 200],
  ['GET', '/rates/99999', undefined, 401, 404, 404, 404, 404],
  ['POST', '/rates/99999/publish', { words: 'x' }, 401, 403, 403, 404, 403],
  ['POST', '/rates/shipped', { words: 'x' }, 401, 403, 403, 200, 403],
  ['POST', '/rates', { words: 5 }, 401, 400, 400, 400, 400],
  ['POST', '/import', { text: '{}', dry: true }, 401, 403, 403, 403, 200],
  ['DELETE', '/machines/:none/customer', undefined, 401, 403, 403, 403, 404],
  ['GET', '/calls', undefined, 401, 200, 200, 200, 200],
  ['GET', '/calls/watch', undefined, 401, 200, 200, 200, 200],
  ['GET', '/calls/:call', undefined, 401, 200, 200, 200, 200],
  ['GET', '/calls/:call/events', undefined, 401, 200, 200, 200, 200],
  ['PUT', '/calls/:call/looking', undefined, 401, 204, 204, 204, 204],
  ['PUT', '/calls/:none/looking', undefined, 401, 404, 404, 404, 404],
  ['GET', '/calls/:none/events', undefined, 401, 404, 404, 404, 404],
  ['POST', '/calls/:call/events', (person) => note(person), 401, 200, 200, 200, 200],
  // In somebody else's name, whoever asks.
  ['POST', '/calls/:call/events', () => note('somebody'), 401, 403, 403, 403, 403],
  ['PUT', '/photos/:new', () => photo(), 401, 204, 204, 204, 204],
  ['GET', '/photos/:photo', undefined, 401, 200, 200, 200, 200],
  // Last of all: nobody can erase it twice into another answer, and only the technician took it.
  ['DELETE', '/photos/:photo', undefined, 401, 403, 204, 204, 204],
  ['DELETE', '/session', undefined, 204, 204, 204, 204, 204],
];

let call: string;
let apprentice: string;
const note = (person: string) => ({ events: [made(call, { type: 'note', text: 'x' }, 2, person)] });
const photo = () => ({ call, type: 'image/png', data: PICTURE });

describe('who may ask for what', () => {
  const credentials = new Map<Person, Credentials | Record<string, never>>([['nobody', {}]]);
  let machine: string;
  const idOf = new Map<string, string>();
  const taken = v7();
  beforeAll(async () => {
    for (const name of ROLES.slice(1)) credentials.set(name, await signIn(name));
    const all = (await api().get('/api/people').set(credentials.get('imre')!)).body as Colleague[];
    for (const { name, id } of all) idOf.set(name, id);
    apprentice = idOf.get('bea')!;
    const me = credentials.get('imre')!;
    machine = ((await api().post('/api/machines').set(me).send(MACHINE)).body as { id: string }).id;
    call = v7();
    await api()
      .post(`/api/calls/${call}/events`)
      .set(me)
      .send({ events: [made(call, opening)] });
    await api().put(`/api/photos/${taken}`).set(me).send(photo());
  });

  test.each(TABLE)('%s %s', async (method, path, body, ...expected) => {
    const answers: number[] = [];
    for (const person of ROLES) {
      const address = path
        .replace(':machine', machine)
        .replace(':call', call)
        .replace(':apprentice', idOf.get('bea')!)
        .replace(':lead', idOf.get('rosa')!)
        .replace(':photo', taken)
        .replace(':secret', 'A'.repeat(43))
        .replace(/:none|:new/, v7());
      const ask = api()[method.toLowerCase() as 'get'](`/api${address}`).set(credentials.get(person)!);
      const sent = typeof body === 'function' ? body(person) : body;
      answers.push((await (sent === undefined ? ask : ask.send(sent))).status);
    }
    expect(Object.fromEntries(ROLES.map((r, i) => [r, answers[i]]))).toEqual(
      Object.fromEntries(ROLES.map((r, i) => [r, expected[i]])),
    );
  });

  test('the table has every endpoint', () => {
    const shape = (path: string): string => path.replace(/:\w+|dryer-burner|toaster|99999|\d{4}-\d\d-\d\d/g, '*');
    const had = new Set(TABLE.map(([method, path]) => `${method} ${shape(path)}`));
    const all = Object.values(CONTRACT).flatMap((r) => Object.values<AnyEndpoint>(r));
    expect(all.map((e) => `${e.method} ${shape(e.path)}`).filter((e) => !had.has(e))).toEqual([]);
  });
});
