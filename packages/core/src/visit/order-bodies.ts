import type { Order } from '../rules';
import type { Setup } from '../simulation';
import type { EventBody } from './event-kinds';
import { setupEntry } from './events/setup';

/** The entries that answer an order: a shut-off that was done is how the appliance is set from now on. */
export function orderBodies(
  stop: string,
  order: Order,
  answer: 'done' | 'cannot',
  words: string,
  setup: Setup,
): EventBody[] {
  const { sets } = order;
  const answered: EventBody = { type: 'stop-order', stop, order: order.id, answer, ...(words !== '' && { words }) };
  if (answer === 'cannot' || !sets) return [answered];
  const set = {
    ...setup,
    ...(sets.gas === false && { gas: false }),
    ...(sets.power === false && { power: false }),
    ...(sets.bypasses === 'off' && { bypassed: [], actions: [] }),
  };
  return [setupEntry(set), answered];
}
