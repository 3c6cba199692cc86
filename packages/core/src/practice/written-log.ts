import type { Model } from '../profile';
import { type CallEvent, type CallState, type EventBody, meaningsOf, reduceCall, withMeaning } from '../visit';

/** The log of a call as it grows, entry by entry; time goes on by what each thing takes. */
export class WrittenLog {
  readonly events: CallEvent[] = [];
  readonly call: string;

  constructor(
    readonly model: Model,
    private now: number,
    private person: string,
    /** Makes the id of what is written at a moment. */
    private readonly idAt: (now: number) => string,
  ) {
    this.call = idAt(now);
  }

  /** Time passes. */
  wait(minutes: number): void {
    this.now += Math.round(minutes * 60_000);
  }

  /** Somebody else goes on. */
  handTo(person: string, at: number): void {
    this.person = person;
    this.now = Math.max(this.now, at);
  }

  get at(): number {
    return this.now;
  }

  /** Writes what has just been done, which took so long. */
  write(body: EventBody, minutes = 0.3): string {
    this.wait(minutes);
    const id = this.idAt(this.now);
    this.events.push({
      id,
      call: this.call,
      seq: this.events.length + 1,
      at: new Date(this.now).toISOString(),
      device: `tablet-${this.person}`,
      person: this.person,
      body: withMeaning(meaningsOf(this.model), body),
    });
    return id;
  }

  /** What the log says by now. */
  get state(): CallState {
    return reduceCall(this.model, this.events);
  }
}
