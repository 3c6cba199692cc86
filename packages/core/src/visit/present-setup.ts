import { NORMAL_SETUP, type Setup } from '../simulation';
import type { CallEvent } from './event';
import { mergeEvents } from './order';
import { retractions } from './retractions';
import { settled } from './settled';

/** How the appliance is set by the newest entry that says so: known before anybody has thought about the log. */
export function presentSetup(events: readonly CallEvent[]): Setup {
  const ordered = settled(mergeEvents(events));
  const struck = retractions(ordered);
  const body = ordered.findLast((e) => e.body.type === 'setup' && !struck.has(e.id))?.body;
  if (body?.type !== 'setup') return NORMAL_SETUP;
  const { power, gas, call, unplugged, bypassed, actions = [] } = body;
  return { power, gas, heatCall: call, unplugged, bypassed, actions };
}
