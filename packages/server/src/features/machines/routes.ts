import { Router } from 'express';
import { machines } from '@zetalysis/contract';
import { serve } from '../../http/serve';
import type { Machines } from './service';

export function machineRoutes(register: Machines): Router {
  const router = Router();
  serve(router, machines.list, ({ query }) => register.list(query));
  serve(router, machines.read, ({ params }) => register.read(params.id));
  serve(router, machines.add, ({ body }) => register.add(body));
  serve(router, machines.correct, ({ params, body }, { person }) => register.correct(params.id, body, person));
  serve(router, machines.writeSheet, ({ params, body }, { person }) => register.writeSheet(params.id, body, person));
  serve(router, machines.retire, ({ params, body }, { person }) => register.retire(params.id, body.retired, person));
  serve(router, machines.merge, ({ params, body }, { person }) => register.merge(params.id, body.into, person));
  serve(router, machines.changes, ({ params }) => register.changes(params.id));
  serve(router, machines.resets, ({ params }) => register.resets(params.id));
  serve(router, machines.nameWires, ({ params, body }, { person }) => register.nameWires(params.id, body, person));
  serve(router, machines.rebuild, ({ params, body }, { person }) => register.rebuild(params.id, body, person));
  serve(router, machines.contact, ({ params }) => register.contact(params.id));
  serve(router, machines.setContact, ({ params, body }) => register.setContact(params.id, body));
  return router;
}
