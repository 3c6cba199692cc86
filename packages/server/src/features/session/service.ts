import type { Me } from '@zetalysis/contract';
import { Problem } from '../../http/problem';
import type { Person } from './model';
import { checkPassword } from './password';
import { personNamed } from './repository';

/** What others may know of a person. */
export const shown = ({ id, name, fullName, role, units }: Person): Me => ({ id, name, fullName, role, units });

/** Whoever has this name and password. Throws a Problem when they do not fit; both wrong answers take as long. */
export async function signIn(name: string, password: string): Promise<Person> {
  const person = await personNamed(name.toLowerCase());
  if (!(await checkPassword(person?.passwordHash, password)) || !person)
    throw new Problem(401, 'Not signed in', 'Name and password do not fit. Check both and try again.');
  return person;
}
