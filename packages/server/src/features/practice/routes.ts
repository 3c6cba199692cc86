import { Router } from 'express';
import { practice } from '@zetalysis/contract';
import { serve } from '../../http/serve';
import { keep, practiceOf, resultOf, setFor, sign } from './service';

export function practiceRoutes(): Router {
  const router = Router();
  serve(router, practice.standing, (_asked, { person }) => practiceOf(person));
  serve(router, practice.keep, ({ body }, { person }) => keep(person, body));
  serve(router, practice.read, ({ params }, { person }) => resultOf(person, params.id));
  serve(router, practice.set, ({ body }, { person }) => setFor(person, body));
  serve(router, practice.sign, ({ body }, { person }) => sign(person, body));
  return router;
}
