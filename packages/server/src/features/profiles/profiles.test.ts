import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { openHouse } from '../../../test/house';

const house = openHouse();
const { api, signIn } = house;

describe('profiles, those that ship and those from outside', () => {
  const source = readFileSync(join(__dirname, '../../../../../docs/examples/wall-heater.yaml'), 'utf8');
  const bring = async (name: string, text: unknown) =>
    api()
      .post('/api/profiles')
      .set(await signIn(name))
      .send({ source: text });

  test('a profile is checked, kept by its version, and served in the version a call was opened with', async () => {
    expect((await bring('imre', source)).status).toBe(201);
    expect((await bring('imre', source)).status).toBe(409);
    const next = source
      .replace('version: 0.1.0', 'version: 0.2.0')
      .replace('title: Wall heater', 'title: New wall heater');
    expect((await bring('rosa', next)).body).toMatchObject({ version: '0.2.0', importedBy: 'rosa' });
    const me = await signIn();
    const get = (query: string) => api().get(`/api/profiles/wall-heater${query}`).set(me);
    expect((await get('')).body.version).toBe('0.2.0');
    expect((await get('?version=0.1.0')).body.source).toBe(source);
    expect((await get('?version=9.9.9')).body.version).toBe('0.2.0');
    expect((await api().get('/api/profiles').set(me)).body.map((p: { id: string }) => p.id)).toContain('wall-heater');
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
    expect((await api().post('/api/profiles').send({ source })).status).toBe(401);
  });

  test('profiles are served with their source', async () => {
    const me = await signIn();
    expect((await api().get('/api/profiles/furnace-condensing').set(me)).body.source).toMatch(/^# Condensing furnace/);
    expect((await api().get('/api/profiles/toaster').set(me)).status).toBe(404);
  });
});
