import { Router, type RequestHandler } from 'express';
import { profiles } from '@zetalysis/contract';
import { Problem } from '../../http/problem';
import { serve } from '../../http/serve';
import { summaryOf, type Profiles } from './service';

/** Reading is open to all; bringing one in is for people who are signed in and no apprentices. */
export function profileRoutes(library: Profiles, signedIn: readonly RequestHandler[]): Router {
  const router = Router();
  serve(router, profiles.list, async () => (await library.all()).map(summaryOf));
  serve(router, profiles.read, ({ params, query }) => library.get(params.id, 404, query.version));
  serve(router, profiles.bringIn, ...signedIn, async ({ body }, { person }) => {
    if (person.role === 'apprentice')
      throw new Problem(403, 'Not for apprentices', 'Ask a technician or the lead to bring this profile in.');
    return summaryOf(await library.add(body.source, person.name));
  });
  return router;
}
