import { Router } from 'express';
import { limits } from '@zetalysis/contract';
import { serve } from '../../http/serve';
import { keptLimits } from './repository';
import { keep } from './service';

export function limitRoutes(): Router {
  const router = Router();
  serve(router, limits.list, ({ query }) => keptLimits(query.machine));
  serve(router, limits.keep, ({ body }, { person }) => keep(person, body));
  return router;
}
