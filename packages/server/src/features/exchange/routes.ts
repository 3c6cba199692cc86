import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { exchange } from '@zetalysis/contract';
import { can } from '@zetalysis/core/rules';
import { Router } from 'express';
import { Problem } from '../../http/problem';
import { serve } from '../../http/serve';
import { audit } from '../audit/audit';
import { machineWith } from '../machines/repository';
import { authorityOf } from '../session/authority';
import type { Person } from '../session/model';
import type { Upkeep } from '../upkeep/service';
import { eraseCustomer } from './erase';
import { shopLines } from './export';
import { bringIn } from './import';
import { tableAsCsv, TABLES } from './tables';

/** Taking the shop's data out and bringing it in: files of their own formats, for whom that is. */
export function exchangeRoutes(upkeep: Upkeep): Router {
  const router = Router();
  router.get('/api/export/:file', async ({ params: { file }, person, query }, response) => {
    mayTakeOut(person);
    const table = TABLES.find((name) => file === `${name}.csv`);
    if (table) {
      await audit(person, 'export', file);
      response
        .type('text/csv')
        .attachment(file)
        .send(await tableAsCsv(table, upkeep));
      return;
    }
    if (file !== 'shop.jsonl')
      throw new Problem(404, 'No such file', `Files are shop.jsonl, ${TABLES.map((t) => `${t}.csv`).join(', ')}.`);
    const machine = typeof query['machine'] === 'string' ? query['machine'] : undefined;
    if (machine !== undefined && !(await machineWith(machine)))
      throw new Problem(404, 'No such machine', 'This machine is not in the register.');
    await audit(person, 'export', machine ?? file);
    response.type('application/jsonl').attachment(machine === undefined ? 'shop.jsonl' : `machine-${machine}.jsonl`);
    const wanted = { photos: query['photos'] === 'yes', ...(machine !== undefined && { machine }) };
    await pipeline(Readable.from(shopLines(wanted)), response);
  });
  serve(router, exchange.bringIn, async ({ body }, { person }) => {
    if (can(authorityOf(person), 'accounts') !== '+')
      throw new Problem(403, 'Not yours to bring in', 'An admin brings a shop’s file in. Ask one of them.');
    const came = await bringIn(body.text, body.dry);
    if (!body.dry) await audit(person, 'import', 'shop.jsonl', `${came.counts.new} new, ${came.counts.wrong} wrong`);
    return came;
  });
  serve(router, exchange.erase, ({ params }, { person }) => eraseCustomer(person, params.id));
  return router;
}

function mayTakeOut(person: Person): void {
  if (can(authorityOf(person), 'tighten') !== '+')
    throw new Problem(403, 'Not yours to take out', 'A lead or an admin takes the shop’s data out. Ask one of them.');
}
