import type { ListedSession, Me } from '@zetalysis/contract';
import { Problem } from '../../http/problem';
import { grantsFrom } from './authority';
import type { Person } from './model';
import { checkPassword, hashPassword } from './password';
import { changeHash, endOthers, endSession, personNamed, purgeSessions, sessionsOf } from './repository';

/** What others may know of a person. */
export const shown = ({ id, name, fullName, role, grants, units, mustChange }: Person): Me => ({
  id,
  name,
  fullName,
  role,
  grants: grantsFrom(grants),
  units,
  mustChange: Boolean(mustChange),
});

/** Whoever has this name and password. Throws a Problem when they do not fit; both wrong answers take as long. */
export async function signIn(name: string, password: string): Promise<Person> {
  await purgeSessions();
  const person = await personNamed(name.toLowerCase());
  if (!(await checkPassword(person?.passwordHash, password)) || !person)
    throw new Problem(401, 'Not signed in', 'Name and password do not fit. Check both and try again.');
  if (person.disabled)
    throw new Problem(403, 'Account shut', 'This account is shut. Ask an admin of your shop to open it again.');
  return person;
}

/** Where a person is signed in; `sid` is the cookie of the session that asks. */
export const listSessions = async ({ id }: Person, sid: string): Promise<ListedSession[]> =>
  (await sessionsOf(id)).map((s) => ({
    id: s.id!,
    from: s.origin,
    startedAt: s.createdAt.toISOString(),
    endsAt: s.expires.toISOString(),
    own: s.sid === sid,
  }));

/** Ends a session of the person, wherever it is. */
export async function endOne(person: Person, id: string): Promise<void> {
  if (!(await endSession(person.id, id)))
    throw new Problem(404, 'No such session', 'You have no session like that; it may have ended already.');
}

/** Takes a new password, and ends every other session of the person. */
export async function changePassword(person: Person, sid: string, old: string, wanted: string): Promise<void> {
  if (!(await checkPassword(person.passwordHash, old)))
    throw new Problem(403, 'Wrong password', 'The old password is not right. Type it again.');
  if (old === wanted) throw new Problem(400, 'The same', 'The new password is the old one. Choose another.');
  await changeHash(person, await hashPassword(wanted));
  await endOthers(person.id, sid);
}
