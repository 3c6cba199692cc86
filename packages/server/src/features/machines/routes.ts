import { Router } from 'express';
import { machines } from '@zetalysis/contract';
import { serve } from '../../http/serve';
import type { Machines } from './service';

export function machineRoutes(register: Machines): Router {
  const router = Router();
  serve(router, machines.list, ({ query }) => register.list(query));
  serve(router, machines.read, ({ params }) => register.read(params.id));
  serve(router, machines.add, ({ body }) => register.add(body));
  serve(router, machines.correct, ({ params, body }) => register.correct(params.id, body));
  serve(router, machines.resets, ({ params }) => register.resets(params.id));
  serve(router, machines.nameWires, ({ params, body }) => register.nameWires(params.id, body));
  serve(router, machines.rebuild, ({ params, body }) => register.rebuild(params.id, body));
  serve(router, machines.contact, ({ params }) => register.contact(params.id));
  serve(router, machines.setContact, ({ params, body }) => register.setContact(params.id, body));
  return router;
}
