import { CONTRACT, type AnyEndpoint } from '@zetalysis/contract';
import { joiOf } from '@zetalysis/contract/check';
import request from 'supertest';
import { openHouse } from '../../test/house';
import { connect } from '../db/connect';
import { defineModels } from '../db/models';

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

  test('every reply is what the contract says', async () => {
    const cookie = await signIn();
    const { id } = ((await api().get('/api/calls').set('cookie', cookie)).body as { id: string }[])[0]!;
    for (const endpoint of Object.values(CONTRACT).flatMap((r): AnyEndpoint[] => Object.values(r))) {
      if (endpoint.method !== 'GET') continue;
      const params: Record<string, string> = {
        '/profiles/:id': 'dryer-burner',
        '/calls/:id': id,
        '/calls/:id/events': id,
      };
      const [known] = (await api().get('/api/machines').set('cookie', cookie)).body as { id: string }[];
      const path = endpoint.path.replace(':id', params[endpoint.path] ?? known!.id);
      const reply = await api().get(`/api${path}`).set('cookie', cookie);
      const { error } = joiOf(endpoint.reply!).validate(reply.body, { convert: false });
      expect([endpoint.path, reply.status, error?.message]).toEqual([endpoint.path, 200, undefined]);
    }
  });
});
