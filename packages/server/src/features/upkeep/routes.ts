import { Router } from 'express';
import { upkeep } from '@zetalysis/contract';
import { Problem } from '../../http/problem';
import { serve } from '../../http/serve';
import { settingsOfShop } from '../shop/service';
import { calendarOf } from './calendar';
import { addressBehind } from './repository';
import { addresses, give, revoke, type Upkeep } from './service';

/** For who is signed in. */
export function upkeepRoutes(duties: Upkeep): Router {
  const router = Router();
  serve(router, upkeep.due, ({ query }) => duties.due(query.until));
  serve(router, upkeep.ofMachine, ({ params }) => duties.ofMachine(params.id));
  serve(router, upkeep.record, ({ params, body }, { person }) => duties.record(person, params.id, body));
  serve(router, upkeep.plan, ({ params, body }, { person }) => duties.plan(person, params.id, body.duty, body.every));
  serve(router, upkeep.addresses, (_sent, { person }) => addresses(person));
  serve(router, upkeep.give, ({ body }, { person }) => give(person, body));
  serve(router, upkeep.revoke, async ({ params }, { person }) => void (await revoke(person, params.id)));
  return router;
}

/** For whoever has an address that was given: the caretaker's form, and the calendar. */
export function openRoutes(duties: Upkeep): Router {
  const router = Router();
  serve(router, upkeep.form, ({ params }) => duties.form(params.secret));
  serve(router, upkeep.fill, ({ params, body }) => duties.fill(params.secret, body));
  // A file of another format than the contract's: calendars fetch it by themselves.
  router.get('/api/calendar/:file', async (request, response) => {
    const secret = /^([A-Za-z0-9_-]{43})\.ics$/.exec(request.params.file)?.[1];
    const address = secret === undefined ? null : await addressBehind('calendar', secret);
    if (!address) throw new Problem(404, 'No such calendar', 'This address was taken back, or mistyped.');
    const { name } = await settingsOfShop();
    const due = (await duties.due()).filter((d) => address.machineId === null || d.machine.id === address.machineId);
    response
      .type('text/calendar')
      .attachment('due.ics')
      .send(calendarOf(due, name, `${request.protocol}://${request.host}`));
  });
  return router;
}
