import { Router } from 'express';
import { calls } from '@zetalysis/contract';
import { serve } from '../../http/serve';
import type { Calls } from './service';

export function callRoutes(log: Calls): Router {
  const router = Router();
  serve(router, calls.list, ({ query }) => log.list(query));
  serve(router, calls.watch, () => log.watch());
  serve(router, calls.ofMachine, ({ params }) => log.ofMachine(params.id));
  serve(router, calls.readings, ({ params }) => log.readings(params.id));
  serve(router, calls.read, ({ params }) => log.read(params.id));
  serve(router, calls.events, ({ params, query }) => log.events(params.id, Number(query.after ?? '0')));
  serve(router, calls.look, async ({ params }, { person }) => {
    await log.look(params.id, person);
    return undefined;
  });
  serve(router, calls.send, ({ params, body }, { person }) => log.send(params.id, body.events, person));
  return router;
}
