import { Router, type RequestHandler } from 'express';
import Joi from 'joi';
import { checkPassword } from '../auth/password';
import { signedIn } from '../auth/session';
import { Person } from '../db/models';
import { Problem } from '../http/problem';
import { validate } from '../http/validate';

const credentials = Joi.object<{ name: string; password: string }>({
  name: Joi.string().trim().min(1).max(60).required(),
  password: Joi.string().min(1).max(200).required(),
});

const shown = (p: Person) => ({ id: p.id, name: p.name, fullName: p.fullName, role: p.role, units: p.units });

export function sessionRoutes(limit: RequestHandler): Router {
  const router = Router();
  router.get('/', signedIn, (request, response) => {
    response.json(shown(request.person));
  });
  router.post('/', limit, async (request, response) => {
    const { name, password } = validate(credentials, request.body);
    const person = await Person.findOne({ where: { name: name.toLowerCase() } });
    if (!(await checkPassword(person?.passwordHash, password)) || !person)
      throw new Problem(401, 'Not signed in', 'Name and password do not fit. Check both and try again.');
    // A new session id, so that an id planted before the sign-in is worth nothing.
    await new Promise<void>((resolve, reject) =>
      request.session.regenerate((e: unknown) => (e ? reject(e as Error) : resolve())),
    );
    request.session.personId = person.id;
    await new Promise<void>((resolve, reject) =>
      request.session.save((e: unknown) => (e ? reject(e as Error) : resolve())),
    );
    response.json(shown(person));
  });
  router.delete('/', async (request, response) => {
    await new Promise<void>((resolve, reject) =>
      request.session.destroy((e: unknown) => (e ? reject(e as Error) : resolve())),
    );
    response.clearCookie('zetalysis').status(204).end();
  });
  return router;
}
