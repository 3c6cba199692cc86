import type { CallEvent, EventBody } from '@zetalysis/core/visit';

/** A log of one call: these events, entered one after the other by one person. */
export const logged = (bodies: readonly EventBody[]): CallEvent[] =>
  bodies.map((body, i) => ({
    id: `e${i}`,
    call: 'c',
    seq: i + 1,
    at: '2026-01-01T08:00:00Z',
    device: 'd',
    person: 'imre',
    body,
  }));
