import * as t from '@sinclair/typebox';
import { type Grant, GRANTS, type Role } from '@zetalysis/core/rules';
import type { UnitSystem } from '@zetalysis/core/units';
import { uuid } from '@zetalysis/core/visit';
import { endpoint } from './endpoint';
import { moment, personName, trimmed } from './fields';

const grants = t.Unsafe<Grant[]>(t.Array(t.Union(GRANTS.map((g) => t.Literal(g))), { maxItems: GRANTS.length }));

const me = t.Object({
  id: uuid,
  name: personName,
  fullName: t.String({ maxLength: 120 }),
  role: t.Unsafe<Role>(t.Union(['apprentice', 'technician', 'lead', 'admin'].map((r) => t.Literal(r)))),
  /** What the person was trained for. */
  grants,
  units: t.Unsafe<UnitSystem>(t.Union(['us', 'si'].map((u) => t.Literal(u)))),
  /** Somebody else gave the password: it is changed before anything else. */
  mustChange: t.Boolean(),
});

/** Whoever is signed in. */
export type Me = t.Static<typeof me>;

/** The fields of a person that are columns. */
export const personFields = me.properties;

/** A new session: whoever signed in, and the secret that every later request has to carry beside its cookie. */
const opened = t.Object({ me, key: t.String({ minLength: 43, maxLength: 43 }) });

const listed = t.Object({
  id: uuid,
  /** What it was signed in from, in the browser's words. */
  from: t.String({ maxLength: 200 }),
  startedAt: moment,
  endsAt: moment,
  /** The one that asks. */
  own: t.Boolean(),
});

export const listedSession = listed;
export type ListedSession = t.Static<typeof listed>;

const password = t.String({ minLength: 1, maxLength: 200 });

export const session = {
  read: endpoint({ method: 'GET', path: '/session', reply: me }),
  signIn: endpoint({
    method: 'POST',
    path: '/session',
    body: t.Object({ name: trimmed(60, 1), password }),
    reply: opened,
  }),
  signOut: endpoint({ method: 'DELETE', path: '/session' }),
  /** Every session of the person who asks. */
  list: endpoint({ method: 'GET', path: '/sessions', reply: t.Array(listed) }),
  end: endpoint({ method: 'DELETE', path: '/sessions/:id', params: t.Object({ id: uuid }) }),
  /** All other sessions of the person end. */
  changePassword: endpoint({
    method: 'PUT',
    path: '/session/password',
    body: t.Object({ old: password, wanted: t.String({ minLength: 10, maxLength: 200 }) }),
  }),
};
