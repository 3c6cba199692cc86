import type { Model } from '@zetalysis/core/profile';
import type { Random } from '@zetalysis/core/simulation';
import {
  type CallEvent,
  type CallState,
  type EventBody,
  meaningsOf,
  reduceCall,
  withMeaning,
} from '@zetalysis/core/visit';
import { idAt } from './calendar';

/** The log of a call as it grows, entry by entry; time goes on by what each thing takes. */
export class WrittenLog {
  readonly events: CallEvent[] = [];
  readonly call: string;

  constructor(
    readonly model: Model,
    private now: number,
    private person: string,
    private readonly random: Random,
  ) {
    this.call = idAt(now, random);
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
    const id = idAt(this.now, this.random);
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
