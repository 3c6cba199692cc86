import type { CallEvent, EventBody } from '@zetalysis/core/visit';

/** A log of entries by one person, a minute apart. */
export const noted = (bodies: readonly EventBody[], person = 'imre'): CallEvent[] =>
  bodies.map((body, i) => ({
    id: `e${i}`,
    call: 'c',
    seq: i + 1,
    at: `2026-01-01T08:${String(i).padStart(2, '0')}:00Z`,
    device: 'd',
    person,
    body,
  }));
