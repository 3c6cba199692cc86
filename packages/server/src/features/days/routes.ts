import { Router } from 'express';
import { days } from '@zetalysis/contract';
import { serve } from '../../http/serve';
import { addItem, dayOf, moveItem, removeItem } from './service';

export function dayRoutes(): Router {
  const router = Router();
  serve(router, days.read, ({ params }) => dayOf(params.day));
  serve(router, days.add, ({ body }, { person }) => addItem(person, body));
  serve(router, days.move, ({ params, body }, { person }) => moveItem(person, params.id, body));
  serve(router, days.remove, async ({ params }, { person }) => {
    await removeItem(person, params.id);
    return undefined;
  });
  return router;
}
