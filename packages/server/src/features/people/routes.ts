import { Router } from 'express';
import { people } from '@zetalysis/contract';
import { serve } from '../../http/serve';
import { Problem } from '../../http/problem';
import { pageOf } from '../../http/page';
import { can } from '@zetalysis/core/rules';
import { audited } from '../audit/audit';
import { authorityOf } from '../session/authority';
import { listSessions } from '../session/service';
import { changeAccount, disableAccount, ofAccount, openAccount, resetPassword, signOut } from './accounts';
import { colleagues, giveGrants } from './service';

export function peopleRoutes(): Router {
  const router = Router();
  serve(router, people.list, () => colleagues());
  serve(router, people.grants, ({ params, body }, { person }) => giveGrants(person, params.id, body.grants));
  serve(router, people.audit, ({ query }, { person }) => {
    if (can(authorityOf(person), 'tighten') !== '+')
      throw new Problem(403, 'Not yours to read', 'A lead or an admin reads what was done to accounts and settings.');
    const { offset, limit } = pageOf({ ...query, search: '' }, 'down');
    return audited(offset, limit);
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
