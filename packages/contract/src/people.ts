import * as t from '@sinclair/typebox';
import { uuid } from '@zetalysis/core/visit';
import { endpoint } from './endpoint';
import { personFields } from './session';

const { grants } = personFields;

const colleague = t.Object({
  id: uuid,
  name: personFields.name,
  fullName: personFields.fullName,
  role: personFields.role,
  grants,
});

/** Somebody of the shop, as the others see them. */
export type Colleague = t.Static<typeof colleague>;

export const people = {
  list: endpoint({ method: 'GET', path: '/people', reply: t.Array(colleague) }),
  /** A lead gives grants to apprentices and technicians, an admin to all. */
  grants: endpoint({
    method: 'PUT',
    path: '/people/:id/grants',
    params: t.Object({ id: uuid }),
    body: t.Object({ grants }),
    reply: colleague,
  }),
};
