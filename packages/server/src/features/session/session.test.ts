import request from 'supertest';
import { QueryTypes } from 'sequelize';
import { DEMO_PASSWORD } from '../../demo/demo';
import { openHouse } from '../../../test/house';

const house = openHouse();
const { api, signIn } = house;

describe('signing in', () => {
  test('right name and password give a session in an httpOnly, SameSite cookie', async () => {
    const answer = await api().post('/api/session').send({ name: 'rosa', password: DEMO_PASSWORD });
    expect(answer.body).toMatchObject({ name: 'rosa', role: 'lead' });
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
    const wrong = await api().post('/api/session').send({ name: 'bea', password: 'no' });
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

  test('signing out ends the session', async () => {
    const cookie = await signIn();
    expect((await api().get('/api/session').set('cookie', cookie)).status).toBe(200);
    await api().delete('/api/session').set('cookie', cookie);
    expect((await api().get('/api/session').set('cookie', cookie)).status).toBe(401);
  });

  test.each(['/api/calls', '/api/machines', '/api/session'])('%s needs a session', async (path) => {
    const answer = await api().get(path);
    expect(answer.status).toBe(401);
    expect(answer.body.detail).toMatch(/Sign in/);
  });
});
