import { missingEvidence } from '../rules';
import { orderBodies } from '../visit';
import { MINUTES } from './hand-minutes';
import type { Stand } from './stand';

/** Follows an order of a stop that stands; in words why not. */
export function followOrder(stand: Stand, stop: string, id: string, value?: string | number): string | undefined {
  const standing = stand.state.followed.stops.find((s) => s.stop.id === stop);
  const order = standing?.orders.find((o) => o.order.id === id && o.answer === undefined)?.order;
  if (!order) return 'That stop, or that order of it, does not stand any more';
  const { wants, sets } = order;
  if (wants && (value === undefined || value === ''))
    return 'words' in wants ? `Write it: ${wants.words}` : 'Say first what is so';
  if (wants && 'fact' in wants) stand.write({ type: 'fact', fact: wants.fact, value: value! }, MINUTES.say);
  const bodies = orderBodies(stop, order, 'done', String(value ?? ''), stand.state.setup);
  for (const body of bodies) stand.write(body, sets ? MINUTES.set : MINUTES.say);
  return undefined;
}

/** Says that a stop is over, on what it ends on; in words what is still missing. */
export function endStop(
  stand: Stand,
  stop: string,
  evidence: Readonly<Record<string, string | number>>,
): string | undefined {
  const { followed } = stand.state;
  const standing = followed.stops.find((s) => s.stop.id === stop);
  if (!standing) return 'That stop does not stand any more';
  const missing = missingEvidence(standing.stop, standing.since, evidence, followed.c);
  if (missing.length > 0) return `Still missing, or not within its limit: ${missing.map(({ ask }) => ask).join('; ')}`;
  return stand.write({ type: 'stop-ended', stop, evidence: { ...evidence } }, MINUTES.say);
}
