import { Router } from 'express';
import { instruments } from '@zetalysis/contract';
import { serve } from '../../http/serve';
import { allInstruments } from './repository';
import { prove, writeDown } from './service';

export function instrumentRoutes(): Router {
  const router = Router();
  serve(router, instruments.list, () => allInstruments());
  serve(router, instruments.add, ({ body }, { person }) => writeDown(person, body));
  serve(router, instruments.correct, ({ params, body }, { person }) => writeDown(person, body, params.id));
  serve(router, instruments.prove, ({ params, body }, { person }) => prove(person, params.id, body.when));
  return router;
}
