import type { Audited, Colleague } from '@zetalysis/contract';
import { openHouse } from '../../../test/house';
import { openAccount } from './accounts';

const house = openHouse();
const { api, signIn } = house;

const ACCOUNT = { fullName: 'Nell Ashby', role: 'technician', units: 'us' };
const open = async (name: string, by = 'office') =>
  api()
    .post('/api/people')
    .set(await signIn(by))
    .send({ ...ACCOUNT, name });
const trySignIn = (name: string, password: string) => api().post('/api/session').send({ name, password });
/** The headers of a session that was opened by hand. */
function headersOf(answer: Awaited<ReturnType<typeof trySignIn>>) {
  const cookies = answer.headers['set-cookie'] as unknown as string[];
  return {
    cookie: cookies.find((c) => c.startsWith('zetalysis='))!.split(';')[0]!,
    'x-session-key': (answer.body as { key: string }).key,
  };
}

test('a first password opens nothing but the choice of one’s own; then everything', async () => {
  const { person, password } = (await open('nell')).body as { person: Colleague; password: string };
  expect(person).toMatchObject({ name: 'nell', role: 'technician', grants: [], disabled: false });
  const nell = headersOf(await trySignIn('nell', password));
  expect((await api().get('/api/session').set(nell)).body).toMatchObject({ mustChange: true });
  const refused = await api().get('/api/calls').set(nell);
  expect([refused.status, (refused.body as { title: string }).title]).toEqual([403, 'Choose a password']);
  const choose = (old: string, wanted: string) => api().put('/api/session/password').set(nell).send({ old, wanted });
  expect((await choose(password, password)).status).toBe(400);
  expect((await choose(password, 'a-password-of-mine')).status).toBe(204);
  expect((await api().get('/api/calls').set(nell)).status).toBe(200);
});

test('a name is taken once', async () => {
  await open('tove');
  const again = await open('tove');
  expect([again.status, (again.body as { title: string }).title]).toEqual([409, 'Name taken']);
});

test.each(['Nell', '9nell', 'nell ashby', '', 'n'.repeat(61)])('%j is no name to sign in with', async (name) =>
  expect((await open(name)).status).toBe(400),
);

test('a new password ends every session, and the old one is worth nothing', async () => {
  const first = (await open('ida')).body as { person: Colleague; password: string };
  const ida = headersOf(await trySignIn('ida', first.password));
  const reset = await api()
    .post(`/api/people/${first.person.id}/password`)
    .set(await signIn('office'));
  expect((await api().get('/api/session').set(ida)).status).toBe(401);
  expect((await trySignIn('ida', first.password)).status).toBe(401);
  expect((await trySignIn('ida', (reset.body as { password: string }).password)).status).toBe(200);
});

test('a shut account: its sessions end at once, and nobody signs in until it is open again', async () => {
  const { person, password } = (await open('per')).body as { person: Colleague; password: string };
  const per = headersOf(await trySignIn('per', password));
  const shut = async (disabled: boolean) =>
    api()
      .put(`/api/people/${person.id}/disabled`)
      .set(await signIn('office'))
      .send({ disabled });
  expect((await shut(true)).body).toMatchObject({ disabled: true });
  expect((await api().get('/api/session').set(per)).status).toBe(401);
  const refused = await trySignIn('per', password);
  expect([refused.status, (refused.body as { title: string }).title]).toEqual([403, 'Account shut']);
  // Who does not know the password learns nothing of it.
  expect((await trySignIn('per', 'wrong-password')).status).toBe(401);
  await shut(false);
  expect((await trySignIn('per', password)).status).toBe(200);
});

test('the last admin stays one, and nobody shuts their own account', async () => {
  const all = (
    await api()
      .get('/api/people')
      .set(await signIn())
  ).body as Colleague[];
  const { id } = all.find((p) => p.name === 'office')!;
  const office = await signIn('office');
  const change = await api()
    .put(`/api/people/${id}`)
    .set(office)
    .send({ fullName: 'Office', role: 'lead', units: 'us' });
  expect([change.status, (change.body as { title: string }).title]).toEqual([409, 'The last admin']);
  expect((await api().put(`/api/people/${id}/disabled`).set(office).send({ disabled: true })).status).toBe(409);
});

test('the first account of an empty shop comes from the command, and what was done is written down', async () => {
  const { password } = await openAccount(undefined, { name: 'first', fullName: 'First', role: 'admin', units: 'si' });
  expect((await trySignIn('first', password)).status).toBe(200);
  const { entries } = (
    await api()
      .get('/api/people/audit')
      .set(await signIn('rosa'))
  ).body as { entries: Audited[] };
  expect(entries[0]).toMatchObject({ by: null, what: 'account', of: 'first', words: 'admin' });
  expect(entries.find((e) => e.what === 'disabled')).toMatchObject({ by: 'Office', of: 'per' });
  expect(JSON.stringify(entries)).not.toContain(password);
});
