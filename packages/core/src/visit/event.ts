import type { Authority } from '../rules';
import type { EventBody } from './event-kinds';

/** One entry of a call's log. Never changed, never deleted. */
export interface CallEvent {
  /** UUIDv7 made by the client. */
  readonly id: string;
  readonly call: string;
  /** Lamport clock: one more than the largest the device had seen. Orders events however skewed the device clocks are. */
  readonly seq: number;
  /** The device's own time, ISO 8601. */
  readonly at: string;
  /** How far the device's clock is ahead of the server's, milliseconds; left out while nobody noticed a difference. */
  readonly offset?: number;
  readonly device: string;
  readonly person: string;
  readonly body: EventBody;
  /** What the person might do when it was made, as the server vouches; not part of what is stored of the entry. */
  readonly as?: Authority;
  /** Its place in the order in which the server took the call's entries; nothing while it was not sent. */
  readonly number?: number;
}

/** When an entry was made by the server's clock, milliseconds since 1970. */
export const madeAt = ({ at, offset = 0 }: Pick<CallEvent, 'at' | 'offset'>): number => Date.parse(at) - offset;
