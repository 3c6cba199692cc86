import { Router } from 'express';
import { people } from '@zetalysis/contract';
import { serve } from '../../http/serve';
import { colleagues, giveGrants } from './service';

export function peopleRoutes(): Router {
  const router = Router();
  serve(router, people.list, () => colleagues());
  serve(router, people.grants, ({ params, body }, { person }) => giveGrants(person, params.id, body.grants));
  return router;
}
