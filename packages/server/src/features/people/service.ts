import type { Colleague } from '@zetalysis/contract';
import { can, type Grant } from '@zetalysis/core/rules';
import { Problem } from '../../http/problem';
import { audit } from '../audit/audit';
import { authorityOf, grantsFrom, grantsText } from '../session/authority';
import type { Person } from '../session/model';
import { changeGrants, everybody, personNamed, personWith } from '../session/repository';

/** Somebody of the shop, as the others see them. */
export const colleague = ({ id, name, fullName, role, grants, disabled }: Person): Colleague => ({
  id,
  name,
  fullName,
  role,
  grants: grantsFrom(grants),
  disabled: Boolean(disabled),
});

/** Everybody of the shop, with what each may do. */
export const colleagues = async (): Promise<Colleague[]> => (await everybody()).map(colleague);

/** Gives somebody these grants and no others; a lead to apprentices and technicians, an admin to all. */
export async function giveGrants(giver: Person, id: string, grants: readonly Grant[]): Promise<Colleague> {
  const person = await personWith(id);
  if (!person) throw new Problem(404, 'No such person', 'Nobody of this shop has this number.');
  if (can(authorityOf(giver), 'grants', { of: authorityOf(person) }) !== '+')
    throw new Problem(
      403,
      'Not yours to give',
      'A lead gives grants to apprentices and technicians, an admin to everybody. Ask one of them.',
    );
  const text = grantsText(grants);
  await changeGrants(person, text);
  await audit(giver, 'grants', person.name, text === '' ? 'none' : text);
  return colleague(Object.assign(person, { grants: text }));
}

/** The same by names, for the command. Throws in words when it may not be. */
export async function giveGrantsByName(giver: string, to: string, grants: readonly Grant[]): Promise<string> {
  const [from, person] = await Promise.all([personNamed(giver), personNamed(to)]);
  if (!from || !person) throw new Error(`There is nobody called ${from ? to : giver}.`);
  const { grants: now } = await giveGrants(from, person.id, grants);
  return `${to} has: ${now.length === 0 ? 'no grants' : now.join(', ')}`;
}
