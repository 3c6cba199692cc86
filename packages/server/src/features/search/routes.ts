import { Router } from 'express';
import { search } from '@zetalysis/contract';
import { serve } from '../../http/serve';
import { listMachines, shown } from '../machines/repository';
import { entriesWith } from './repository';

/** So many of each are shown: whoever looks for more writes another word. */
const MOST = 20;

export function searchRoutes(): Router {
  const router = Router();
  serve(router, search.find, async ({ query: { words } }) => {
    const [{ found, total }, entries] = await Promise.all([
      listMachines({ search: words, sort: 'label', down: false, offset: 0, limit: MOST }),
      entriesWith(words, MOST),
    ]);
    return {
      machines: found.map(shown),
      total,
      entries: entries.map(({ id, callId, kind, words: text, machine, machineId, site, openedAt }) => ({
        id,
        call: callId,
        kind,
        words: text.slice(0, 300),
        machine: machine === null || machineId === null ? null : { id: machineId, label: machine, site: site ?? '' },
        opened: new Date(openedAt).toISOString(),
      })),
    };
  });
  return router;
}
