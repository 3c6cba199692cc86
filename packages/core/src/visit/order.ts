import type { CallEvent } from './event';

/** The total order of a log: by Lamport clock, then by id. Every device arrives at the same one. */
export function compareEvents(a: CallEvent, b: CallEvent): number {
  return a.seq - b.seq || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0);
}

/** Merges logs: each event once, in order. The first copy of an event counts; copies are equal by contract. */
export function mergeEvents(...logs: readonly (readonly CallEvent[])[]): CallEvent[] {
  const byId = new Map<string, CallEvent>();
  for (const log of logs) for (const event of log) if (!byId.has(event.id)) byId.set(event.id, event);
  return [...byId.values()].sort(compareEvents);
}

/** The clock value for the next event of a device that has seen these. */
export function nextSeq(events: readonly CallEvent[]): number {
  return events.reduce((top, e) => Math.max(top, e.seq), 0) + 1;
}
