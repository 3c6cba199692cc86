import { randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Express } from 'express';
import { pino } from 'pino';
import { QueryTypes, type Sequelize } from 'sequelize';
import request from 'supertest';
import { v7 } from 'uuid';
import { CONTRACT, type AnyEndpoint } from '@zetalysis/contract';
import { joiOf } from '@zetalysis/contract/check';
import type { CallEvent, EventBody } from '@zetalysis/core/visit';
import { createApp } from '../src/app';
import { connect } from '../src/db/connect';
import { DEMO_PASSWORD, loadDemo } from '../src/demo/demo';
import * as builds from '../src/db/migrations/0003-builds';
import { migrate } from '../src/db/migrate';
import { defineModels } from '../src/db/models';
import { readProfiles } from '../src/features/profiles/service';

const url = process.env['TEST_DATABASE_URL'];
if (url === undefined)
  throw new Error('These tests need a MariaDB: run `npm test`, which starts one, or set TEST_DATABASE_URL.');

const profiles = readProfiles(join(__dirname, '../../../profiles'));
const sessionSecret = randomBytes(16).toString('hex');
let sequelize: Sequelize;
let app: Express;

beforeAll(async () => {
  sequelize = connect(url);
  defineModels(sequelize);
  await migrate(sequelize);
  await profiles.keepShipped();
  await loadDemo(profiles);
  app = createApp({ sequelize, profiles, sessionSecret, logger: pino({ level: 'silent' }), webDir: '' });
});
afterAll(() => sequelize.close());

async function signIn(name = 'imre', on: Express = app): Promise<string> {
  const answer = await request(on).post('/api/session').send({ name, password: DEMO_PASSWORD });
  expect(answer.status).toBe(200);
  return String(answer.headers['set-cookie']).split(';')[0]!;
}

const opening: EventBody = {
  type: 'opened',
  complaint: 'No heat',
  profile: 'furnace-condensing',
  profileVersion: '1.0.0',
  engineVersion: '1.0.0',
  settings: { units: 'us', settingsVersion: '1' },
};
const made = (call: string, body: EventBody, seq = 1, person = 'imre'): CallEvent => ({
  id: v7(),
  call,
  seq,
  at: new Date().toISOString(),
  device: 'test',
  person,
  body,
});

describe('signing in', () => {
  test('right name and password give a session in an httpOnly, SameSite cookie', async () => {
    const answer = await request(app).post('/api/session').send({ name: 'rosa', password: DEMO_PASSWORD });
    expect(answer.body).toMatchObject({ name: 'rosa', role: 'lead' });
    expect(JSON.stringify(answer.body)).not.toMatch(/argon2|passwordHash/);
    expect(String(answer.headers['set-cookie'])).toMatch(/HttpOnly; SameSite=Strict/);
  });

  test('passwords are kept as argon2id', async () => {
    const [row] = await sequelize.query<{ passwordHash: string }>(
      "SELECT passwordHash FROM people WHERE name = 'imre'",
      { type: QueryTypes.SELECT },
    );
    expect(row!.passwordHash).toMatch(/^\$argon2id\$/);
  });

  test('wrong password and unknown name get the same answer', async () => {
    const wrong = await request(app).post('/api/session').send({ name: 'bea', password: 'no' });
    const nobody = await request(app).post('/api/session').send({ name: 'nobody', password: 'no' });
    expect(wrong.status).toBe(401);
    expect(wrong.body).toEqual(nobody.body);
    expect(wrong.type).toBe('application/problem+json');
  });

  test('too many failures are stopped, for that name only, and the count is in the database', async () => {
    for (let i = 0; i < 8; i++) await request(app).post('/api/session').send({ name: 'mallory', password: 'no' });
    const stopped = await request(app).post('/api/session').send({ name: 'mallory', password: 'no' });
    expect(stopped.status).toBe(429);
    expect(stopped.body.detail).toMatch(/Wait \d+ seconds/);
    const other = createApp({ sequelize, profiles, sessionSecret, logger: pino({ level: 'silent' }), webDir: '' });
    expect((await request(other).post('/api/session').send({ name: 'mallory', password: 'no' })).status).toBe(429);
    await signIn('imre');
  });

  test('signing out ends the session', async () => {
    const cookie = await signIn();
    expect((await request(app).get('/api/session').set('cookie', cookie)).status).toBe(200);
    await request(app).delete('/api/session').set('cookie', cookie);
    expect((await request(app).get('/api/session').set('cookie', cookie)).status).toBe(401);
  });

  test.each(['/api/calls', '/api/machines', '/api/session'])('%s needs a session', async (path) => {
    const answer = await request(app).get(path);
    expect(answer.status).toBe(401);
    expect(answer.body.detail).toMatch(/Sign in/);
  });
});

describe('the log of a call', () => {
  let cookie: string;
  let call: string;
  beforeEach(async () => {
    cookie = await signIn();
    call = v7();
  });
  const send = (events: readonly unknown[], to = call) =>
    request(app).post(`/api/calls/${to}/events`).set('cookie', cookie).send({ events });
  const read = (after = 0) => request(app).get(`/api/calls/${call}/events?after=${after}`).set('cookie', cookie);

  test('the first event opens the call and pins its versions', async () => {
    expect((await send([made(call, opening)])).body).toEqual({ stored: 1, known: 0 });
    const head = await request(app).get(`/api/calls/${call}`).set('cookie', cookie);
    expect(head.body).toMatchObject({
      profile: 'furnace-condensing',
      profileVersion: '1.0.0',
      engineVersion: '1.0.0',
      settings: { settingsVersion: '1' },
    });
  });

  test('sending an event twice changes nothing', async () => {
    const events = [made(call, opening), made(call, { type: 'seen', phase: 'inducer', answer: 'yes' }, 2)];
    await send(events);
    expect((await send(events)).body).toEqual({ stored: 0, known: 2 });
    expect((await send([...events, ...events])).body.stored).toBe(0);
    expect((await read()).body.events).toEqual(events);
  });

  test('the same event from two senders at once is stored once', async () => {
    await send([made(call, opening)]);
    const event = made(call, { type: 'code', code: '6' }, 2);
    const answers = await Promise.all([send([event]), send([event]), send([event])]);
    for (const answer of answers) expect(answer.status).toBe(200);
    expect((await read()).body.events).toHaveLength(2);
  });

  test('an id with other contents is refused: events are never changed', async () => {
    const event = made(call, opening);
    await send([event]);
    const forged = await send([{ ...event, seq: 9 }]);
    expect(forged.status).toBe(409);
    expect(forged.body.detail).toMatch(/correcting event/);
  });

  test('the database itself refuses to change or delete events', async () => {
    await send([made(call, opening)]);
    await expect(sequelize.query('UPDATE events SET seq = 99 LIMIT 1')).rejects.toThrow(/never changed or deleted/);
    await expect(sequelize.query('DELETE FROM events LIMIT 1')).rejects.toThrow(/never changed or deleted/);
  });

  test('the cursor gives only what is new', async () => {
    await send([made(call, opening)]);
    const first = (await read()).body;
    await send([made(call, { type: 'note', text: 'filter looks new' }, 2)]);
    const second = (await read(first.cursor)).body;
    expect(second.events.map((e: CallEvent) => e.body.type)).toEqual(['note']);
  });

  test('an event for a call that is not there', async () => {
    const answer = await send([made(call, { type: 'note', text: 'x' })]);
    expect(answer.status).toBe(404);
    expect(answer.body.detail).toMatch(/Send its opening event first/);
  });

  test('somebody else’s event, and an event of another call', async () => {
    expect((await send([made(call, opening, 1, 'rosa')])).status).toBe(403);
    expect((await send([made(v7(), opening)])).body.title).toBe('Wrong call');
  });

  test.each<[string, unknown]>([
    ['no body', {}],
    ['an unknown type', { ...made('0', opening), body: { type: 'guess' } }],
    [
      'a reading that is a text',
      { ...made('0', opening), body: { type: 'gauge', gauge: 'draft', typed: '1', reading: '1' } },
    ],
    ['a field nobody knows', { ...made('0', opening), body: { type: 'note', text: 'x', html: '<b>' } }],
    [
      'a number that is none',
      {
        ...made('0', opening),
        body: {
          type: 'ohms',
          part: 'igniter',
          typed: 'x',
          reading: { kind: 'value', value: null, dimension: 'resistance' },
        },
      },
    ],
  ])('%s is refused with the place', async (_name, event) => {
    const answer = await send([{ ...(event as object), call }]);
    expect(answer.status).toBe(400);
    expect(answer.body.errors.length).toBeGreaterThan(0);
    expect(JSON.stringify(answer.body)).not.toMatch(/at .*\.ts:/);
  });

  test('a body that is too large, not JSON, or a bad cursor or call number', async () => {
    const large = await send([made(call, { type: 'note', text: 'x'.repeat(300_000) })]);
    expect(large.status).toBe(413);
    expect(large.body.detail).toMatch(/smaller batches/);
    const broken = await request(app)
      .post(`/api/calls/${call}/events`)
      .set('cookie', cookie)
      .type('json')
      .send('{"events": [');
    expect(broken.status).toBe(400);
    await send([made(call, opening)]);
    expect((await request(app).get(`/api/calls/${call}/events?after=x`).set('cookie', cookie)).status).toBe(400);
    expect((await request(app).get('/api/calls/17').set('cookie', cookie)).status).toBe(400);
    expect((await request(app).get(`/api/calls/${v7()}`).set('cookie', cookie)).status).toBe(404);
  });

  test('the list shows open bypasses and the recorded break; what was taken back does not count', async () => {
    const wrong = made(
      call,
      { type: 'setup', power: true, gas: true, call: true, unplugged: [], bypassed: ['limit'] },
      2,
    );
    await send([made(call, opening), wrong]);
    const find = async () =>
      (await request(app).get('/api/calls').set('cookie', cookie)).body.find((c: { id: string }) => c.id === call);
    expect((await find()).bypassed).toEqual(['limit']);
    await send([made(call, { type: 'retracted', event: wrong.id }, 3)]);
    expect((await find()).bypassed).toEqual([]);
  });
});

describe('wires of a machine, profiles from outside', () => {
  const source = readFileSync(join(__dirname, '../../../docs/examples/wall-heater.yaml'), 'utf8');
  const bring = async (name: string, text: unknown) =>
    request(app)
      .post('/api/profiles')
      .set('cookie', await signIn(name))
      .send({ source: text });

  test('a profile is checked, kept by its version, and served in the version a call was opened with', async () => {
    expect((await bring('imre', source)).status).toBe(201);
    expect((await bring('imre', source)).status).toBe(409);
    const next = source
      .replace('version: 0.1.0', 'version: 0.2.0')
      .replace('title: Wall heater', 'title: New wall heater');
    expect((await bring('rosa', next)).body).toMatchObject({ version: '0.2.0', importedBy: 'rosa' });
    const get = (query: string) => request(app).get(`/api/profiles/wall-heater${query}`);
    expect((await get('')).body.version).toBe('0.2.0');
    expect((await get('?version=0.1.0')).body.source).toBe(source);
    expect((await get('?version=9.9.9')).body.version).toBe('0.2.0');
    expect((await request(app).get('/api/profiles')).body.map((p: { id: string }) => p.id)).toContain('wall-heater');
  });
  test('what cannot work, what is no profile, and what ships already are refused with what to do', async () => {
    expect((await bring('imre', source.replace('=LI, valve', '=LI, valv'))).body.detail).toMatch(
      /did you mean "valve"/,
    );
    expect((await bring('imre', source.replace('cue: valve.open', 'cue: flame >= 3'))).body.detail).toMatch(
      /profile:\d+: .*"click" never comes/,
    );
    expect((await bring('imre', source.replace('id: wall-heater', `id: ${'x'.repeat(200)}`))).status).toBe(400);
    expect((await bring('imre', source.replace('version: 0.1.0', 'version: the newest there is, really'))).status).toBe(
      400,
    );
    expect((await bring('imre', 'just words')).status).toBe(400);
    expect((await bring('imre', '')).status).toBe(400);
    expect((await bring('imre', 42)).status).toBe(400);
    expect((await bring('imre', source.replace('id: wall-heater', 'id: dryer-burner'))).status).toBe(409);
    expect((await bring('bea', source)).status).toBe(403);
    expect((await request(app).post('/api/profiles').send({ source })).status).toBe(401);
  });
  test('terminal names and wire colours are kept with the machine', async () => {
    const cookie = await signIn();
    const machines = (await request(app).get('/api/machines').set('cookie', cookie)).body as {
      id: string;
      label: string;
    }[];
    const { id } = machines.find((m) => m.label.includes('Corn Exchange'))!;
    const put = (on: string, body: object) =>
      request(app).put(`/api/machines/${on}/wires`).set('cookie', cookie).send(body);
    const wires = { MV: { terminal: 'TR9', colour: 'violet' } };
    expect((await put(id, wires)).body.wires).toEqual(wires);
    expect((await put(id, { MV: { terminal: 'x'.repeat(41), colour: '' } })).status).toBe(400);
    expect((await put(id, { MV: 'TR9' })).status).toBe(400);
    expect((await put(v7(), wires)).status).toBe(404);
    expect((await put('nonsense', wires)).status).toBe(400);
  });
});

describe('machines and profiles', () => {
  const plain = { options: [], order: {} };
  const machine = {
    label: 'Test',
    site: 'Shop',
    make: '',
    modelName: '',
    serial: '',
    profile: 'furnace-condensing',
    build: plain,
  };

  test('a machine needs a known profile and a build that goes together', async () => {
    const cookie = await signIn();
    const post = (body: object) => request(app).post('/api/machines').set('cookie', cookie).send(body);
    expect((await post(machine)).status).toBe(201);
    expect((await post({ ...machine, profile: 'toaster' })).body.detail).toMatch(/Known: .*furnace-condensing/);
    const wood = { ...machine, build: { options: ['wood'], order: {} } };
    expect((await post(wood)).body.detail).toMatch(/unknown variant "wood"/);
    expect((await post({ ...machine, label: '' })).status).toBe(400);
    expect((await post({ ...machine, label: "'; DROP TABLE machines; --" })).status).toBe(201);
    expect((await request(app).get('/api/machines').set('cookie', cookie)).body.length).toBeGreaterThan(4);
  });

  test('how a machine is built can be changed; what does not go together is refused with the reason', async () => {
    const cookie = await signIn();
    const boiler = { ...machine, label: 'Boiler', profile: 'hydronic-boiler' };
    const { id } = (await request(app).post('/api/machines').set('cookie', cookie).send(boiler)).body as { id: string };
    const rebuild = (build: object) => request(app).put(`/api/machines/${id}/build`).set('cookie', cookie).send(build);
    const both = { options: ['no-damper', 'module-with-lockout'], order: { safety: ['spill', 'rollout'] } };
    expect((await rebuild(both)).body.build).toEqual(both);
    const clash = await rebuild({ options: ['no-damper', 'limit-before-aquastat'], order: {} });
    expect(clash.status).toBe(400);
    expect(clash.body.detail).toMatch(/limit-before-aquastat: does not go together with no-damper.*rungs.safety/);
    expect((await rebuild({ options: [], order: { safety: ['lwco', 'toaster'] } })).body.detail).toMatch(/toaster/);
    expect((await rebuild({ options: [], order: { safety: ['lwco', 'lwco'] } })).body.detail).toMatch(/twice/);
    expect((await request(app).get(`/api/machines/${id}`).set('cookie', cookie)).body.build).toEqual(both);
    expect((await request(app).put(`/api/machines/${v7()}/build`).set('cookie', cookie).send(plain)).status).toBe(404);
  });

  test('a call keeps the build that its machine had when it was opened', async () => {
    const cookie = await signIn();
    const built = { options: ['nitride'], order: {} };
    const { id } = (
      await request(app)
        .post('/api/machines')
        .set('cookie', cookie)
        .send({ ...machine, build: built })
    ).body as { id: string };
    const call = v7();
    const opened = made(call, { ...opening, machine: id, build: built });
    await request(app)
      .post(`/api/calls/${call}/events`)
      .set('cookie', cookie)
      .send({ events: [opened] });
    await request(app).put(`/api/machines/${id}/build`).set('cookie', cookie).send(plain);
    const head = (await request(app).get(`/api/calls/${call}`).set('cookie', cookie)).body;
    expect([head.build, head.machine.build]).toEqual([built, plain]);
  });

  test('every reply is what the contract says', async () => {
    const cookie = await signIn();
    const { id } = ((await request(app).get('/api/calls').set('cookie', cookie)).body as { id: string }[])[0]!;
    for (const endpoint of Object.values(CONTRACT).flatMap((r): AnyEndpoint[] => Object.values(r))) {
      if (endpoint.method !== 'GET') continue;
      const params: Record<string, string> = {
        '/profiles/:id': 'dryer-burner',
        '/calls/:id': id,
        '/calls/:id/events': id,
      };
      const [known] = (await request(app).get('/api/machines').set('cookie', cookie)).body as { id: string }[];
      const path = endpoint.path.replace(':id', params[endpoint.path] ?? known!.id);
      const reply = await request(app).get(`/api${path}`).set('cookie', cookie);
      const { error } = joiOf(endpoint.reply!).validate(reply.body, { convert: false });
      expect([endpoint.path, reply.status, error?.message]).toEqual([endpoint.path, 200, undefined]);
    }
  });

  test('a machine that had a variant before there were builds keeps it', async () => {
    await sequelize.query(
      "INSERT INTO machines (id, label, site, make, modelName, serial, profile, createdAt) VALUES (:id, 'Old', 'Shop', '', '', '', 'furnace-condensing', NOW(3))",
      { replacements: { id: v7() } },
    );
    await builds.down(sequelize.getQueryInterface());
    await sequelize.query("UPDATE machines SET variant = 'nitride' WHERE label = 'Old'");
    await builds.up(sequelize.getQueryInterface());
    const { body } = await request(app)
      .get('/api/machines')
      .set('cookie', await signIn());
    const of = (label: string) => (body as { label: string; build: object }[]).find((m) => m.label === label)!.build;
    expect(of('Old')).toEqual({ options: ['nitride'], order: {} });
    expect(of('Furnace, chapel hall')).toEqual({ options: ['nitride'], order: {} });
    expect(of('Furnace, Mill Lane 14')).toEqual(plain);
  });

  test('profiles are served with their source', async () => {
    expect((await request(app).get('/api/profiles/furnace-condensing')).body.source).toMatch(/^# Condensing furnace/);
    expect((await request(app).get('/api/profiles/toaster')).status).toBe(404);
  });
});

describe('the house rules of HTTP', () => {
  test('a strict content policy and no framework name', async () => {
    const { headers } = await request(app).get('/api/health');
    expect(headers['content-security-policy']).toMatch(/default-src 'none'/);
    expect(headers['content-security-policy']).not.toMatch(/unsafe/);
    expect(headers['x-powered-by']).toBeUndefined();
  });

  test('an unknown address says so', async () => {
    const answer = await request(app).get('/api/nowhere');
    expect(answer.status).toBe(404);
    expect(answer.body).toMatchObject({ status: 404, detail: 'GET /api/nowhere is not known here.' });
  });

  test('with the database gone the answer is 503 and says that nothing is lost', async () => {
    const away = connect(url.replace(/:\d+\//, ':9/'));
    const cut = createApp({ sequelize: away, profiles, sessionSecret, logger: pino({ level: 'silent' }), webDir: '' });
    const answer = await request(cut).get('/api/health');
    defineModels(sequelize);
    expect(answer.status).toBe(503);
    expect(answer.body.detail).toMatch(/kept on your device/);
    await away.close();
  });
});

test('two server processes on one database work side by side', async () => {
  const other = createApp({ sequelize, profiles, sessionSecret, logger: pino({ level: 'silent' }), webDir: '' });
  const cookie = await signIn('imre', app);
  const call = v7();
  await request(app)
    .post(`/api/calls/${call}/events`)
    .set('cookie', cookie)
    .send({ events: [made(call, opening)] });
  // The session of the first is good at the second, and so is the call.
  const note = made(call, { type: 'note', text: 'from the other process' }, 2);
  expect(
    (
      await request(other)
        .post(`/api/calls/${call}/events`)
        .set('cookie', cookie)
        .send({ events: [note] })
    ).body.stored,
  ).toBe(1);
  expect((await request(app).get(`/api/calls/${call}/events`).set('cookie', cookie)).body.events).toHaveLength(2);
});
