import { Router } from 'express';
import { people } from '@zetalysis/contract';
import { serve } from '../../http/serve';
import { pageOf } from '../../http/page';
import { listSessions } from '../session/service';
import { auditFor, changeAccount, disableAccount, ofAccount, openAccount, resetPassword, signOut } from './accounts';
import { colleagues, giveGrants } from './service';

export function peopleRoutes(): Router {
  const router = Router();
  serve(router, people.list, () => colleagues());
  serve(router, people.grants, ({ params, body }, { person }) => giveGrants(person, params.id, body.grants));
  serve(router, people.audit, ({ query }, { person }) => {
    const { offset, limit } = pageOf(query, 'down');
    return auditFor(person, offset, limit);
  });
  serve(router, people.open, ({ body }, { person }) => openAccount(person, body));
  serve(router, people.change, ({ params, body }, { person }) => changeAccount(person, params.id, body));
  serve(router, people.reset, ({ params }, { person }) => resetPassword(person, params.id));
  serve(router, people.disable, ({ params, body }, { person }) => disableAccount(person, params.id, body.disabled));
  serve(router, people.sessions, async ({ params }, { person, sessionID }) =>
    listSessions(await ofAccount(person, params.id), sessionID),
  );
  serve(router, people.signOut, async ({ params }, { person }) => {
    await signOut(person, params.id);
    return undefined;
  });
  return router;
}
