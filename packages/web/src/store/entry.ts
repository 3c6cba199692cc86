import type { CallEvent, EventBody } from '@zetalysis/core/visit';
import { v7 } from 'uuid';
import { deviceName } from '../api/identity';
import { clockOffset } from '../api/server-clock';

/** A new entry as this device makes it. */
export function newEntry(call: string, person: string, seq: number, body: EventBody): CallEvent {
  const offset = clockOffset();
  return {
    id: v7(),
    call,
    seq,
    at: new Date().toISOString(),
    ...(offset === undefined ? {} : { offset }),
    device: deviceName(),
    person,
    body: repaired(body),
  };
}

/** Half a character, as a field that is full leaves it, cannot be stored: it is replaced by the sign for that. */
function repaired<T>(value: T): T {
  if (typeof value === 'string') return value.replace(/\p{Surrogate}/gu, '\uFFFD') as T;
  if (Array.isArray(value)) return value.map(repaired) as T;
  if (value !== null && typeof value === 'object')
    return Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, repaired(inner)])) as T;
  return value;
}
