import { Router } from 'express';
import { profiles } from '@zetalysis/contract';
import { Problem } from '../../http/problem';
import { serve } from '../../http/serve';
import type { Profiles } from './service';

/** Bringing one in is for people who are no apprentices. */
export function profileRoutes(library: Profiles): Router {
  const router = Router();
  serve(router, profiles.list, () => library.all());
  serve(router, profiles.read, ({ params, query }) => library.get(params.id, 404, query.version));
  serve(router, profiles.bringIn, async ({ body }, { person }) => {
    if (person.role === 'apprentice')
      throw new Problem(403, 'Not for apprentices', 'Ask a technician or the lead to bring this profile in.');
    return library.add(body.source, person.name);
  });
  return router;
}
