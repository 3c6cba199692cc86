import { Router } from 'express';
import { Problem } from '../http/problem';
import type { Profiles } from '../profiles';

export function profileRoutes(profiles: Profiles): Router {
  const router = Router();
  router.get('/', (_request, response) => {
    response.json(profiles.all().map(({ source: _source, ...p }) => p));
  });
  router.get('/:id', (request, response) => {
    const profile = profiles.get(request.params.id);
    if (!profile)
      throw new Problem(
        404,
        'No such profile',
        `There is no profile "${request.params.id}". Known: ${profiles.ids().join(', ')}.`,
      );
    response.json(profile);
  });
  return router;
}
