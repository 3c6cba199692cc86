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

/** The power is switched, and nothing else stands otherwise than usual but what is unplugged. */
export const power = (on: boolean, unplugged: string[] = []): EventBody => ({
  type: 'setup',
  power: on,
  gas: true,
  call: true,
  unplugged,
  bypassed: [],
});

/** What a reading needs was done. */
export const met = (need: string, of?: string): EventBody => ({
  type: 'need',
  need,
  answer: 'met',
  ...(of !== undefined && { of }),
});
