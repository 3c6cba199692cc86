import { randomBytes } from 'node:crypto';
import type { Colleague, NewAccount } from '@zetalysis/contract';
import { can } from '@zetalysis/core/rules';
import { UniqueConstraintError } from 'sequelize';
import { v7 } from 'uuid';
import { Problem } from '../../http/problem';
import { audit, audited } from '../audit/audit';
import { authorityOf } from '../session/authority';
import type { Person } from '../session/model';
import { hashPassword } from '../session/password';
import { addPerson, changePerson, endAll, openAdmins, personWith } from '../session/repository';
import { colleague } from './service';

/** A password that somebody else can read out, and that is worth nothing after the first sign-in. */
const firstPassword = (): string => randomBytes(9).toString('base64url');

function mayKeepAccounts(person: Person): void {
  if (can(authorityOf(person), 'accounts') !== '+')
    throw new Problem(403, 'Not yours to keep', 'An admin opens and shuts accounts. Ask one of them.');
}

interface Given {
  readonly person: Colleague;
  readonly password: string;
}

/** Opens an account. Throws a Problem where the name is taken. */
export async function openAccount(admin: Person | undefined, account: NewAccount): Promise<Given> {
  if (admin) mayKeepAccounts(admin);
  const password = firstPassword();
  const passwordHash = await hashPassword(password);
  try {
    const person = await addPerson({
      ...account,
      id: v7(),
      grants: '',
      passwordHash,
      mustChange: true,
      disabled: false,
    });
    await audit(admin, 'account', account.name, account.role);
    return { person: colleague(person), password };
  } catch (error) {
    if (!(error instanceof UniqueConstraintError)) throw error;
    throw new Problem(409, 'Name taken', `Somebody is called ${account.name} already. Choose another name.`);
  }
}

/** Changes what somebody is called, who they are in the shop, and their units. */
export async function changeAccount(
  admin: Person,
  id: string,
  to: Pick<NewAccount, 'fullName' | 'role' | 'units'>,
): Promise<Colleague> {
  mayKeepAccounts(admin);
  const person = await known(id);
  if (person.role === 'admin' && to.role !== 'admin') await notTheLast(person);
  await changePerson(person, to);
  if (person.role !== to.role) await audit(admin, 'role', person.name, `${person.role} to ${to.role}`);
  return colleague(Object.assign(person, to));
}

/** Gives somebody a new password and ends their sessions. */
export async function resetPassword(admin: Person, id: string): Promise<Given> {
  mayKeepAccounts(admin);
  const person = await known(id);
  const password = firstPassword();
  await changePerson(person, { passwordHash: await hashPassword(password), mustChange: true });
  await endAll(person.id);
  await audit(admin, 'password', person.name);
  return { person: colleague(person), password };
}

/** Shuts an account, which ends its sessions, or opens it again. */
export async function disableAccount(admin: Person, id: string, disabled: boolean): Promise<Colleague> {
  mayKeepAccounts(admin);
  const person = await known(id);
  if (disabled && person.id === admin.id)
    throw new Problem(409, 'Your own', 'Nobody shuts their own account. Ask another admin.');
  if (disabled && person.role === 'admin') await notTheLast(person);
  await changePerson(person, { disabled });
  if (disabled) await endAll(person.id);
  await audit(admin, 'disabled', person.name, disabled ? 'shut' : 'opened again');
  return colleague(Object.assign(person, { disabled }));
}

/** Ends every session of somebody. */
export async function signOut(admin: Person, id: string): Promise<void> {
  mayKeepAccounts(admin);
  const person = await known(id);
  await endAll(person.id);
  await audit(admin, 'sessions', person.name, 'ended');
}

/** A page of what was done to accounts and settings. Throws a Problem for whom it is not. */
export function auditFor(person: Person, offset: number, limit: number): ReturnType<typeof audited> {
  if (can(authorityOf(person), 'tighten') !== '+')
    throw new Problem(403, 'Not yours to read', 'A lead or an admin reads what was done to accounts and settings.');
  return audited(offset, limit);
}

/** Somebody whose sessions an admin may see. */
export async function ofAccount(admin: Person, id: string): Promise<Person> {
  mayKeepAccounts(admin);
  return known(id);
}

async function known(id: string): Promise<Person> {
  const person = await personWith(id);
  if (!person) throw new Problem(404, 'No such person', 'Nobody of this shop has this number.');
  return person;
}

async function notTheLast({ id }: Person): Promise<void> {
  if ((await openAdmins()).every((admin) => admin.id === id))
    throw new Problem(
      409,
      'The last admin',
      'A shop without an admin cannot open accounts. Make somebody an admin first.',
    );
}
