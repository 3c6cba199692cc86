import { Router, type RequestHandler } from 'express';
import Joi from 'joi';
import { Problem } from '../http/problem';
import { validate } from '../http/validate';
import type { Profiles } from '../profiles';

const importSchema = Joi.object<{ source: string }>({ source: Joi.string().min(1).max(200_000).required() });
const versionSchema = Joi.string().max(20);

/** Reading is open to all; bringing one in is for people who are signed in and no apprentices. */
export function profileRoutes(profiles: Profiles, signedIn: readonly RequestHandler[]): Router {
  const router = Router();
  router.get('/', async (_request, response) => {
    response.json((await profiles.all()).map(({ source: _source, ...p }) => p));
  });
  router.get('/:id', async (request, response) => {
    const version = request.query['version'];
    const wanted = version === undefined ? undefined : validate(versionSchema, version);
    response.json(await profiles.get(request.params.id, 404, wanted));
  });
  router.post('/', ...signedIn, async (request, response) => {
    const { source } = validate(importSchema, request.body);
    if (request.person.role === 'apprentice')
      throw new Problem(403, 'Not for apprentices', 'Ask a technician or the lead to bring this profile in.');
    const { source: _source, ...served } = await profiles.add(source, request.person.name);
    response.status(201).json(served);
  });
  return router;
}
