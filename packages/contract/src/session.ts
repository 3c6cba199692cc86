import * as t from '@sinclair/typebox';
import type { Role } from '@zetalysis/core/rules';
import type { UnitSystem } from '@zetalysis/core/units';
import { uuid } from '@zetalysis/core/visit';
import { endpoint } from './endpoint';
import { trimmed } from './fields';

const me = t.Object({
  id: uuid,
  name: t.String({ maxLength: 60 }),
  fullName: t.String({ maxLength: 120 }),
  role: t.Unsafe<Role>(t.Union(['apprentice', 'technician', 'lead', 'admin'].map((r) => t.Literal(r)))),
  units: t.Unsafe<UnitSystem>(t.Union(['us', 'si'].map((u) => t.Literal(u)))),
});

/** Whoever is signed in. */
export type Me = t.Static<typeof me>;

export const session = {
  read: endpoint({ method: 'GET', path: '/session', reply: me }),
  signIn: endpoint({
    method: 'POST',
    path: '/session',
    body: t.Object({ name: trimmed(60, 1), password: t.String({ minLength: 1, maxLength: 200 }) }),
    reply: me,
  }),
  signOut: endpoint({ method: 'DELETE', path: '/session' }),
};
