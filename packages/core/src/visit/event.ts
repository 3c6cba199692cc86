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
  readonly device: string;
  readonly person: string;
  readonly body: EventBody;
}
