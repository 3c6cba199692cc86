import request from 'supertest';
import { QueryTypes } from 'sequelize';
import { DEMO_PASSWORD } from '../../demo/demo';
import { type Credentials, openHouse } from '../../../test/house';

const house = openHouse();
const { api, signIn } = house;

describe('signing in', () => {
  test('right name and password give a session in an httpOnly, SameSite cookie', async () => {
    const answer = await api().post('/api/session').send({ name: 'rosa', password: DEMO_PASSWORD });
    expect(answer.body).toMatchObject({
      me: { name: 'rosa', role: 'lead' },
      key: expect.stringMatching(/^[\w-]{43}$/),
    });
    expect(JSON.stringify(answer.body)).not.toMatch(/argon2|passwordHash/);
    expect(String(answer.headers['set-cookie'])).toMatch(/HttpOnly; SameSite=Strict/);
  });

  test('passwords are kept as argon2id', async () => {
    const [row] = await house.sequelize.query<{ passwordHash: string }>(
      "SELECT passwordHash FROM people WHERE name = 'imre'",
      { type: QueryTypes.SELECT },
    );
    expect(row!.passwordHash).toMatch(/^\$argon2id\$/);
  });

  test('wrong password and unknown name get the same answer', async () => {
    const wrong = await api().post('/api/session').send({ name: 'rosa', password: 'no' });
    const nobody = await api().post('/api/session').send({ name: 'nobody', password: 'no' });
    expect(wrong.status).toBe(401);
    expect(wrong.body).toEqual(nobody.body);
    expect(wrong.type).toBe('application/problem+json');
  });

  test('too many failures are stopped, for that name only, and the count is in the database', async () => {
    for (let i = 0; i < 8; i++) await api().post('/api/session').send({ name: 'mallory', password: 'no' });
    const stopped = await api().post('/api/session').send({ name: 'mallory', password: 'no' });
    expect(stopped.status).toBe(429);
    expect(stopped.body.detail).toMatch(/Wait \d+ seconds/);
    const other = house.anotherApp();
    expect((await request(other).post('/api/session').send({ name: 'mallory', password: 'no' })).status).toBe(429);
    await signIn('imre');
  });

  test('a stranger who guesses from many addresses is stopped, and the person on their own device is not', async () => {
    const proxied = house.anotherApp(undefined, { trustProxy: true });
    const attempt = (address: string, password: string, cookie = '') =>
      request(proxied).post('/api/session').set({ 'x-forwarded-for': address, cookie }).send({ name: 'bea', password });
    const first = await attempt('192.0.2.1', DEMO_PASSWORD);
    const device = String(first.headers['set-cookie']).match(/zetalysis-device=[^;]+/)![0];
    for (let i = 0; i < 40; i++) expect((await attempt(`198.51.100.${i}`, 'guess')).status).toBe(401);
    expect((await attempt('198.51.100.77', 'guess')).status).toBe(429);
    expect((await attempt('198.51.100.78', DEMO_PASSWORD)).status).toBe(429);
    expect((await attempt('198.51.100.79', DEMO_PASSWORD, device)).status).toBe(200);
    // The mark of a device is no mark for somebody else, and cannot be made up.
    expect((await attempt('198.51.100.80', DEMO_PASSWORD, `${device}x`)).status).toBe(429);
    for (let i = 0; i < 8; i++) expect((await attempt('192.0.2.1', 'forgotten', device)).status).toBe(401);
    expect((await attempt('192.0.2.1', DEMO_PASSWORD, device)).status).toBe(429);
  });

  test('one address that tries many names is stopped', async () => {
    const proxied = house.anotherApp(undefined, { trustProxy: true });
    const attempt = (name: string) =>
      request(proxied).post('/api/session').set('x-forwarded-for', '203.0.113.9').send({ name, password: 'no' });
    for (let i = 0; i < 60; i++) expect((await attempt(`name-${i}`)).status).toBe(401);
    expect((await attempt('name-60')).status).toBe(429);
  });

  test('signing out ends the session', async () => {
    const me = await signIn();
    expect((await api().get('/api/session').set(me)).status).toBe(200);
    await api().delete('/api/session').set(me);
    expect((await api().get('/api/session').set(me)).status).toBe(401);
  });

  test('the cookie alone signs nobody in, and is enough to end the session', async () => {
    const me = await signIn();
    const { cookie } = me;
    expect((await api().get('/api/session').set({ cookie })).status).toBe(401);
    expect(
      (
        await api()
          .get('/api/session')
          .set({ ...me, 'x-session-key': 'a'.repeat(43) })
      ).status,
    ).toBe(401);
    expect((await api().delete('/api/session').set({ cookie })).status).toBe(204);
    expect((await api().get('/api/session').set(me)).status).toBe(401);
  });

  test('reading writes nothing', async () => {
    const me = await signIn();
    const rows = () => house.sequelize.query('SELECT * FROM sessions ORDER BY sid', { type: QueryTypes.SELECT });
    const before = await rows();
    for (const path of ['/api/session', '/api/calls', '/api/machines', '/api/profiles']) await api().get(path).set(me);
    expect(await rows()).toEqual(before);
  });

  test('sessions end when they are old, and are purged', async () => {
    const me = await signIn('rosa');
    await house.sequelize.query('UPDATE sessions SET expires = NOW() - INTERVAL 1 SECOND');
    expect((await api().get('/api/session').set(me)).status).toBe(401);
    await signIn('rosa');
    const [{ kept }] = (await house.sequelize.query('SELECT COUNT(*) AS kept FROM sessions', {
      type: QueryTypes.SELECT,
    })) as [{ kept: number }];
    expect(Number(kept)).toBe(1);
  });

  test('one’s sessions are listed, and one can be ended from elsewhere; nobody else’s', async () => {
    const [here, there, other] = [await signIn('rosa'), await signIn('rosa'), await signIn('imre')];
    const listed = async (as: Credentials) =>
      (await api().get('/api/sessions').set(as)).body as { id: string; own: boolean }[];
    const own = async (as: Credentials) => (await listed(as)).filter((s) => s.own).map((s) => s.id);
    const [theirs] = await own(there);
    expect((await listed(here)).map((s) => s.id)).toEqual(expect.arrayContaining([theirs, ...(await own(here))]));
    expect(JSON.stringify(await listed(here))).not.toContain(here.cookie.split('=')[1]!.slice(4, 20));
    expect(
      (
        await api()
          .delete(`/api/sessions/${(await own(other))[0]!}`)
          .set(here)
      ).status,
    ).toBe(404);
    expect((await api().delete(`/api/sessions/${theirs!}`).set(here)).status).toBe(204);
    expect((await api().get('/api/session').set(there)).status).toBe(401);
    expect((await api().get('/api/session').set(other)).status).toBe(200);
  });

  test('a new password ends the others, and is the one that counts', async () => {
    const [here, there] = [await signIn('office'), await signIn('office')];
    const change = (old: string, wanted: string) => api().put('/api/session/password').set(here).send({ old, wanted });
    expect((await change('wrong', 'a-longer-password')).status).toBe(403);
    expect((await change(DEMO_PASSWORD, 'short')).status).toBe(400);
    expect((await change(DEMO_PASSWORD, 'a-longer-password')).status).toBe(204);
    expect((await api().get('/api/session').set(here)).status).toBe(200);
    expect((await api().get('/api/session').set(there)).status).toBe(401);
    expect((await api().post('/api/session').send({ name: 'office', password: DEMO_PASSWORD })).status).toBe(401);
    expect((await api().post('/api/session').send({ name: 'office', password: 'a-longer-password' })).status).toBe(200);
  });

  test.each(['/api/calls', '/api/machines', '/api/session', '/api/profiles', '/api/sessions'])(
    '%s needs a session',
    async (path) => {
      const answer = await api().get(path);
      expect(answer.status).toBe(401);
      expect(answer.body.detail).toMatch(/Sign in/);
    },
  );
});
