import type { CallEvent } from './event';
import { compareEvents } from './order';

/** The entries of an ordered log that were taken back. Retractions may themselves be retracted; later ones are decided first. */
export function retractions(ordered: readonly CallEvent[]): ReadonlySet<string> {
  const struck = new Set<string>();
  for (let i = ordered.length - 1; i >= 0; i--) {
    const event = ordered[i]!;
    if (event.body.type === 'retracted' && !struck.has(event.id)) struck.add(event.body.event);
  }
  return struck;
}

/** The entries of a log, in whatever order they come, that were not taken back. */
export function standingEntries(events: readonly CallEvent[]): CallEvent[] {
  const ordered = [...events].sort(compareEvents);
  const struck = retractions(ordered);
  return ordered.filter((e) => !struck.has(e.id));
}
