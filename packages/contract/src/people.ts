import * as t from '@sinclair/typebox';
import { uuid } from '@zetalysis/core/visit';
import { endpoint } from './endpoint';
import { listing, moment, nullable, trimmed } from './fields';
import { listedSession, personFields } from './session';

const { grants, role, units } = personFields;

const colleague = t.Object({
  id: uuid,
  name: personFields.name,
  fullName: personFields.fullName,
  role,
  grants,
  /** The account is shut: nobody signs in with it. */
  disabled: t.Boolean(),
});

/** Somebody of the shop, as the others see them. */
export type Colleague = t.Static<typeof colleague>;

const fullName = trimmed(120, 1);
const account = t.Object({
  /** What is typed to sign in: small letters. */
  name: t.String({ pattern: '^[a-z][a-z0-9.-]{0,59}$', title: 'name in small letters', maxLength: 60 }),
  fullName,
  role,
  units,
});
const changed = t.Object({ fullName, role, units });

export type NewAccount = t.Static<typeof account>;

/** A password that is told once and has to be changed at the first sign-in. */
const given = t.Object({ person: colleague, password: t.String() });

export const AUDITED = [
  'account',
  'role',
  'password',
  'disabled',
  'grants',
  'sessions',
  'settings',
  'limits',
  'address',
  'export',
  'import',
  'erased',
] as const;

const audited = t.Object({
  id: uuid,
  at: moment,
  /** Nothing where whoever runs the server did it. */
  by: nullable(t.String()),
  what: t.Unsafe<(typeof AUDITED)[number]>(t.Union(AUDITED.map((a) => t.Literal(a)))),
  of: t.String(),
  words: t.String(),
});

export type Audited = t.Static<typeof audited>;

const one = t.Object({ id: uuid });

export const people = {
  list: endpoint({ method: 'GET', path: '/people', reply: t.Array(colleague) }),
  /** A lead gives grants to apprentices and technicians, an admin to all. */
  grants: endpoint({
    method: 'PUT',
    path: '/people/:id/grants',
    params: one,
    body: t.Object({ grants }),
    reply: colleague,
  }),
  /** An admin opens an account; its first password is told once. */
  open: endpoint({ method: 'POST', path: '/people', body: account, reply: given, status: 201 }),
  change: endpoint({ method: 'PUT', path: '/people/:id', params: one, body: changed, reply: colleague }),
  /** A new password for who forgot theirs; every session of theirs ends. */
  reset: endpoint({ method: 'POST', path: '/people/:id/password', params: one, reply: given }),
  /** Shuts an account, or opens it again; its entries stay. */
  disable: endpoint({
    method: 'PUT',
    path: '/people/:id/disabled',
    params: one,
    body: t.Object({ disabled: t.Boolean() }),
    reply: colleague,
  }),
  /** Where somebody is signed in, and that it ends. */
  sessions: endpoint({ method: 'GET', path: '/people/:id/sessions', params: one, reply: t.Array(listedSession) }),
  signOut: endpoint({ method: 'DELETE', path: '/people/:id/sessions', params: one }),
  /** What was done to accounts and settings, the newest first. */
  audit: endpoint({
    method: 'GET',
    path: '/people/audit',
    query: t.Pick(listing(['at']), ['page', 'size']),
    reply: t.Object({ entries: t.Array(audited), total: t.Integer() }),
  }),
};
