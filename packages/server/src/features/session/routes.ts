import { Router, type Request, type RequestHandler } from 'express';
import { session } from '@zetalysis/contract';
import { SESSION_COOKIE, signedIn } from '../../http/sessions';
import { serve } from '../../http/serve';
import { shown, signIn } from './service';

export function sessionRoutes(limit: RequestHandler): Router {
  const router = Router();
  serve(router, session.read, signedIn, (_sent, { person }) => shown(person));
  serve(router, session.signIn, limit, async ({ body }, request) => {
    const person = await signIn(body.name, body.password);
    // A new session id, so that an id planted before the sign-in is worth nothing.
    await done((then) => request.session.regenerate(then));
    request.session.personId = person.id;
    await done((then) => request.session.save(then));
    return shown(person);
  });
  serve(router, session.signOut, async (_sent, request: Request) => {
    await done((then) => request.session.destroy(then));
    request.res!.clearCookie(SESSION_COOKIE);
    return undefined;
  });
  return router;
}

const done = (start: (then: (error: unknown) => void) => void): Promise<void> =>
  new Promise((resolve, reject) => start((e) => (e ? reject(e as Error) : resolve())));
