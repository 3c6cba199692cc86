import type { Assessment, Engine } from '../diagnosis';
import { type CallState, madeAt } from '../visit';
import { questionTitle } from './question-words';

/** A clock that counts down in a call. */
export interface ClockView {
  readonly event: string;
  readonly title: string;
  /** When it is over, milliseconds since 1970. */
  readonly ends: number;
  /** Nobody set it: something was answered too early, and may be answered otherwise by then. */
  readonly runs?: true;
}

/** What still runs: answers that were given too early, and when each is worth another look; by the key of its question. */
export function runningOf(engine: Engine, state: CallState, assessment: Assessment): ReadonlyMap<string, ClockView> {
  return new Map(
    [...engine.waiting(state.evidence, assessment)].map(([key, { item, until }]) => {
      const { event } = state.log.find((l) => l.event.id === item.id)!;
      const { after = 0, ...question } = item.observation;
      const title = questionTitle(engine.model, question);
      return [key, { event: item.id, title, ends: madeAt(event) - after + until, runs: true }];
    }),
  );
}
