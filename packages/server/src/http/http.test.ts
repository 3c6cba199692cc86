import { CONTRACT, type AnyEndpoint } from '@zetalysis/contract';
import { joiOf } from '@zetalysis/contract/check';
import request from 'supertest';
import { v7 } from 'uuid';
import { openHouse } from '../../test/house';
import { pino } from 'pino';
import { connect } from '../db/connect';
import { DEMO_PASSWORD } from '../demo/demo';
import { defineModels } from '../db/models';

/** One dot. */
const PICTURE = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg==';

const house = openHouse();
const { api, signIn } = house;

describe('the house rules of HTTP', () => {
  test('a strict content policy and no framework name', async () => {
    const { headers } = await api().get('/api/health');
    expect(headers['content-security-policy']).toMatch(/default-src 'none'/);
    expect(headers['content-security-policy']).not.toMatch(/unsafe/);
    expect(headers['x-powered-by']).toBeUndefined();
  });

  test('an unknown address says so', async () => {
    const answer = await api().get('/api/nowhere');
    expect(answer.status).toBe(404);
    expect(answer.body).toMatchObject({ status: 404, detail: 'GET /api/nowhere is not known here.' });
  });

  test('with the database gone the answer is 503 and says that nothing is lost', async () => {
    const away = connect(house.url.replace(/:\d+\//, ':9/'));
    const cut = house.anotherApp(away);
    const answer = await request(cut).get('/api/health');
    defineModels(house.sequelize);
    expect(answer.status).toBe(503);
    expect(answer.body.detail).toMatch(/kept on your device/);
    await away.close();
  });

  test.each([
    ['another page', { origin: 'http://elsewhere.example' }, 403],
    ['a page without an address', { origin: 'null' }, 403],
    ['no page at all', {}, 401],
  ])('a change asked for from %s', async (_name, headers, status) => {
    const answer = await api().post('/api/session').set(headers).send({ name: 'nobody', password: 'x' });
    expect(answer.status).toBe(status);
  });

  test('a change asked for from its own page', async () => {
    const server = request(house.anotherApp());
    const own = await server
      .post('/api/session')
      .set({ host: 'shop.example:8443', origin: 'https://shop.example:8443' });
    expect(own.status).toBe(400);
  });

  test('behind a TLS proxy cookies are Secure and browsers are told to insist, where the settings say so', async () => {
    const app = house.anotherApp(undefined, { trustProxy: 1, hstsDays: 30 });
    const signIn = (proto: string) =>
      request(app).post('/api/session').set('x-forwarded-proto', proto).send({ name: 'rosa', password: DEMO_PASSWORD });
    const tls = await signIn('https');
    expect(String(tls.headers['set-cookie'])).toMatch(/zetalysis=s%3A[^,]*,[^,]*; Secure/);
    expect(tls.headers['strict-transport-security']).toBe('max-age=2592000');
    expect(String((await signIn('http')).headers['set-cookie'])).not.toMatch(/Secure/);
    // Without the setting nobody's word is taken for it.
    const plain = await api()
      .post('/api/session')
      .set('x-forwarded-proto', 'https')
      .send({ name: 'rosa', password: DEMO_PASSWORD });
    expect(String(plain.headers['set-cookie'])).not.toMatch(/Secure/);
    expect(plain.headers['strict-transport-security']).toBeUndefined();
  });

  test('answers are compressed for those who can read that', async () => {
    const me = await signIn();
    const answer = await api()
      .get('/api/profiles')
      .set({ ...me, 'accept-encoding': 'gzip' });
    expect(answer.headers['content-encoding']).toBe('gzip');
    expect(answer.body.length).toBeGreaterThan(10);
  });

  test('a log says what happened, and nothing of what people wrote or what opens doors', async () => {
    const lines: string[] = [];
    const app = house.anotherApp(connect(house.url.replace(/:\d+\//, ':9/')), {
      logger: pino({ level: 'info' }, { write: (line: string) => void lines.push(line) }),
    });
    const me = await signIn();
    await request(app).get('/api/calls?search=Quill').set(me);
    await request(app).post('/api/session').send({ name: 'mallory', password: 'open-sesame' });
    defineModels(house.sequelize);
    const said = lines.join('');
    expect(said).toMatch(/"path":"\/api\/calls"/);
    expect(said).toMatch(/"code":"/);
    expect(said).not.toMatch(/SELECT|INSERT|Quill|sesame|mallory|zetalysis=|x-session-key/);
    for (const secret of [me.cookie.split('=')[1]!, me['x-session-key']]) expect(said).not.toContain(secret);
  });

  test('every reply is what the contract says', async () => {
    const me = await signIn('office');
    const { id } = ((await api().get('/api/calls').set(me)).body as { calls: { id: string }[] }).calls[0]!;
    const photo = v7();
    const taken = await api().put(`/api/photos/${photo}`).set(me).send({ call: id, type: 'image/png', data: PICTURE });
    expect(taken.status).toBe(204);
    const own = ((await api().get('/api/session').set(me)).body as { id: string }).id;
    const [known] = ((await api().get('/api/machines').set(me)).body as { machines: { id: string }[] }).machines;
    const exercise = {
      id: v7(),
      code: '2.a.b.dryer-burner',
      level: 2,
      title: 'x',
      mark: 50,
      proved: false,
      critical: true,
      minutes: 1,
      planned: 2.5,
      confused: [],
      at: new Date().toISOString(),
      moves: '[]',
    };
    expect((await api().post('/api/practice/results').set(me).send(exercise)).status).toBe(200);
    const lead = await signIn('rosa');
    while (((await api().post('/api/patterns/read').set(lead)).body as { unread: number }).unread > 0);
    const rates = (await api().post('/api/rates').set(lead).send({ words: 'x' })).body as {
      versions: { version: number }[];
    };
    const given = { kind: 'caretaker', label: 'A', machine: known!.id };
    const { secret } = (await api().post('/api/addresses').set(me).send(given)).body as { secret: string };
    for (const endpoint of Object.values(CONTRACT).flatMap((r): AnyEndpoint[] => Object.values(r))) {
      if (endpoint.method !== 'GET') continue;
      const params: Record<string, string> = {
        '/profiles/:id': 'dryer-burner',
        '/calls/:id': id,
        '/calls/:id/events': id,
        '/photos/:id': photo,
        '/people/:id/sessions': own,
        '/practice/results/:id': exercise.id,
      };
      const path = endpoint.path
        .replace(':id', params[endpoint.path] ?? known!.id)
        .replace(':secret', secret)
        .replace(':version', String(rates.versions[0]!.version))
        .replace(':day', '2026-12-01');
      const reply = await api()
        .get(`/api${path}${path === '/search' ? '?words=mill' : ''}`)
        .set(me);
      const { error } = joiOf(endpoint.reply!).validate(reply.body, { convert: false });
      expect([endpoint.path, reply.status, error?.message]).toEqual([endpoint.path, 200, undefined]);
    }
  });
});
