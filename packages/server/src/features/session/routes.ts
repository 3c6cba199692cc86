import { Router, type RequestHandler } from 'express';
import { session } from '@zetalysis/contract';
import { closeSession, openSession, signedIn } from '../../http/sessions';
import { serve } from '../../http/serve';
import { rememberDevice } from './known-device';
import { changePassword, endOne, listSessions, shown, signIn } from './service';

/** `limits` stand before everything that tries a password. */
export function sessionRoutes(limits: readonly RequestHandler[], secret: string): Router {
  const router = Router();
  serve(router, session.read, signedIn, (_sent, { person }) => shown(person));
  serve(router, session.signIn, ...limits, async ({ body }, request) => {
    const person = await signIn(body.name, body.password);
    rememberDevice(request, person.name, secret);
    return { me: shown(person), key: await openSession(request, person) };
  });
  serve(router, session.signOut, async (_sent, request) => {
    await closeSession(request);
    return undefined;
  });
  serve(router, session.list, signedIn, (_sent, { person, sessionID }) => listSessions(person, sessionID));
  serve(router, session.end, signedIn, async ({ params }, { person }) => {
    await endOne(person, params.id);
    return undefined;
  });
  serve(router, session.changePassword, signedIn, ...limits, async ({ body }, { person, sessionID }) => {
    await changePassword(person, sessionID, body.old, body.wanted);
    return undefined;
  });
  return router;
}
