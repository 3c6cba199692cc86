import type { Model, Scope } from '../profile';
import type { Stretch } from './course';
import type { Interval, Millis } from './trace';

/** Writes down what happens: stretches in which nothing moves, and when each phase could be observed. */
export class Observer {
  readonly segments: Stretch[] = [];
  readonly cues: Interval[][];
  readonly windows: Interval[][];
  private readonly cueFrom: Float64Array;
  private readonly windowFrom: Float64Array;
  private open: Omit<Stretch, 'to'> | undefined;

  constructor(private readonly model: Model) {
    this.cues = model.phases.map(() => []);
    this.windows = model.phases.map(() => []);
    this.cueFrom = new Float64Array(model.phases.length).fill(Infinity);
    this.windowFrom = new Float64Array(model.phases.length).fill(Infinity);
  }

  /** Looks at every phase; `moved` tells whether anything but time has changed since the last look. */
  observe(now: Millis, scope: Scope, moved: boolean): void {
    for (const phase of this.model.phases) {
      if (!moved && phase.cue.timeless && phase.window.timeless) continue;
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
    if (this.open && (now > this.open.from || last)) this.segments.push({ ...this.open, to: now });
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
