import { stock } from '@zetalysis/contract';
import { Router } from 'express';
import { serve } from '../../http/serve';
import { keptItems } from './repository';
import { addItem, correctItem, moveUnits, setLeast } from './service';

export function stockRoutes(): Router {
  const router = Router();
  serve(router, stock.list, () => keptItems());
  serve(router, stock.add, ({ body }, { person }) => addItem(person, body));
  serve(router, stock.move, ({ body }, { person }) => moveUnits(person, body.moves));
  serve(router, stock.correct, ({ params, body }, { person }) => correctItem(person, params.id, body));
  serve(router, stock.least, ({ params, body }, { person }) => setLeast(person, params.id, body.place, body.least));
  return router;
}
