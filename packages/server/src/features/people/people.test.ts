import type { Colleague } from '@zetalysis/contract';
import { openHouse } from '../../../test/house';
import { giveGrantsByName } from './service';

const house = openHouse();
const { api, signIn } = house;

test('everybody of the shop, with what each may do', async () => {
  const people = (
    await api()
      .get('/api/people')
      .set(await signIn())
  ).body as Colleague[];
  expect(people.map(({ name, role }) => [name, role])).toEqual([
    ['bea', 'apprentice'],
    ['imre', 'technician'],
    ['office', 'admin'],
    ['rosa', 'lead'],
  ]);
  expect(people.find((p) => p.name === 'bea')!.grants).toEqual([]);
  expect(JSON.stringify(people)).not.toMatch(/hash|argon/);
});

test('the command gives grants by names, and says why it does not', async () => {
  expect(await giveGrantsByName('rosa', 'bea', ['gas', 'line'])).toBe('bea has: line, gas');
  expect(await giveGrantsByName('office', 'bea', [])).toBe('bea has: no grants');
  await expect(giveGrantsByName('imre', 'bea', ['line'])).rejects.toThrow(/A lead gives grants/);
  await expect(giveGrantsByName('rosa', 'rosa', ['line'])).rejects.toThrow(/an admin to everybody/);
  await expect(giveGrantsByName('nobody', 'bea', [])).rejects.toThrow('There is nobody called nobody.');
  await expect(giveGrantsByName('rosa', 'nobody', [])).rejects.toThrow('There is nobody called nobody.');
});

test('a new grant counts from the next request on', async () => {
  const bea = await signIn('bea');
  const me = async () => ((await api().get('/api/session').set(bea)).body as { grants: string[] }).grants;
  expect(await me()).toEqual([]);
  await giveGrantsByName('rosa', 'bea', ['combustion']);
  expect(await me()).toEqual(['combustion']);
});
