import type { Millis } from '../units';
import type { Model, Scope } from '../profile';
import type { Due } from './dependency-index';
import type { Interval } from './trace';
import type { Stretch } from './trajectory';

/** A stretch that still goes on. */
type Going = { -readonly [field in keyof Stretch]: Stretch[field] };

/** Writes down what happens: stretches in which nothing moves, and when each phase could be observed. */
export class Observer {
  readonly segments: Stretch[] = [];
  readonly cues: Interval[][];
  readonly windows: Interval[][];
  private readonly cueFrom: Float64Array;
  private readonly windowFrom: Float64Array;
  private open: Going | undefined;

  constructor(
    private readonly model: Model,
    private readonly due: Due,
  ) {
    this.cues = model.phases.map(() => []);
    this.windows = model.phases.map(() => []);
    this.cueFrom = new Float64Array(model.phases.length).fill(Infinity);
    this.windowFrom = new Float64Array(model.phases.length).fill(Infinity);
  }

  /** Looks at every phase that is due. */
  observe(now: Millis, scope: Scope): void {
    for (let i = 0; i < this.cues.length; i++) {
      if (!this.due.take(this.due.index.phases + i)) continue;
      const phase = this.model.phases[i]!;
      note(this.cues[phase.index]!, this.cueFrom, phase.index, phase.cue.evaluate(scope) !== 0, now);
      note(this.windows[phase.index]!, this.windowFrom, phase.index, phase.window.evaluate(scope) !== 0, now);
    }
  }

  segment(
    now: Millis,
    sensed: number,
    partStates: Int8Array,
    regionStates: Int8Array,
    outputs: readonly boolean[],
    alive: boolean,
  ): void {
    this.close(now);
    this.open = {
      from: now,
      to: now,
      sensed,
      partStates: partStates.slice(),
      regionStates: regionStates.slice(),
      outputs: [...outputs],
      alive,
    };
  }

  /** Ends the record at `end`; what still goes on goes on until then. */
  finish(end: Millis): void {
    this.close(end, true);
    for (const phase of this.model.phases) {
      note(this.cues[phase.index]!, this.cueFrom, phase.index, false, end);
      note(this.windows[phase.index]!, this.windowFrom, phase.index, false, end);
    }
  }

  private close(now: Millis, last = false): void {
    if (this.open && (now > this.open.from || last)) {
      this.open.to = now;
      this.segments.push(this.open);
    }
    this.open = undefined;
  }
}

function note(list: Interval[], from: Float64Array, index: number, active: boolean, now: Millis): void {
  if (active && from[index] === Infinity) from[index] = now;
  else if (!active && from[index] !== Infinity) {
    if (now > from[index]!) list.push({ from: from[index]!, to: now });
    from[index] = Infinity;
  }
}
