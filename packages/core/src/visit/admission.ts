import type { CallEvent } from './event';
import type { EventBody } from './event-kinds';

/** How far ahead of the largest clock of its call an entry's may be: devices that work apart stay far below. */
const CLOCK_AHEAD = 1000;

/** What is known of a call when an entry comes to it. */
export interface LogSoFar {
  /** The largest clock value; nought for a call without entries. */
  readonly clock: number;
  readonly opened: boolean;
  /** Whether an entry of this id is in the call. */
  readonly holds: (id: string) => boolean;
}

/** Why an entry cannot be taken into a call. */
export type Refusal =
  | { readonly message: 'not-opened' | 'opened-already' | 'not-by-hand' }
  | { readonly message: 'clock'; readonly data: { readonly clock: number; readonly most: number } }
  | { readonly message: 'points-nowhere'; readonly data: { readonly event: string } };

/**
 * What keeps one entry from ruining a call for everybody: it is opened once, clocks stay near each other, and what points at
 * another entry points at one of the same call. Nothing is refused for coming late. Returns nothing when it may be taken.
 */
export function refusalOf({ seq, body }: CallEvent, { clock, opened, holds }: LogSoFar): Refusal | undefined {
  if (body.type === 'opened' && opened) return { message: 'opened-already' };
  if (body.type !== 'opened' && !opened) return { message: 'not-opened' };
  if (body.type === 'redacted') return { message: 'not-by-hand' };
  if (seq > clock + CLOCK_AHEAD) return { message: 'clock', data: { clock: seq, most: clock + CLOCK_AHEAD } };
  const event = pointsAt(body);
  if (event !== undefined && !holds(event)) return { message: 'points-nowhere', data: { event } };
  return undefined;
}

const POINTING: ReadonlySet<EventBody['type']> = new Set([
  'retracted',
  'adjustment-settled',
  'undone',
  'countersigned',
  'pin-answered',
  'recommendation-settled',
  'part-arrived',
  'wire-back',
]);

/** The other entry of the same call that an entry is about. */
export function pointsAt(body: EventBody): string | undefined {
  return POINTING.has(body.type) && 'event' in body ? body.event : undefined;
}
