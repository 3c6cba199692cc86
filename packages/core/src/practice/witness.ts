import type { Model } from '../profile';
import type { Trace } from '../simulation';
import type { Millis } from '../units';

/** Which steps somebody was there for: what came while their hands were busy was missed. */
export class Witness {
  readonly #seen: Set<string>;

  /** Begins, or goes on with what `kept` told. */
  constructor(
    private readonly phases: Model['phases'],
    seen: readonly string[] = [],
  ) {
    this.#seen = new Set(seen);
  }

  /** Somebody watches between two moments of a stretch, counted since it began. */
  watch(stretch: number, trace: Trace, from: Millis, to: Millis): void {
    for (const { index, id } of this.phases)
      if (trace.cues[index]!.some((c) => comesBetween(c, from, to, trace))) this.#seen.add(`${stretch} ${id}`);
  }

  saw(stretch: number, phase: string): boolean {
    return this.#seen.has(`${stretch} ${phase}`);
  }

  /** What was seen, to go on with later. */
  get kept(): readonly string[] {
    return [...this.#seen];
  }
}

/** Whether a cue could be observed between two moments since the stretch began; a round repeats. */
function comesBetween(
  cue: { readonly from: Millis; readonly to: Millis },
  a: Millis,
  b: Millis,
  { cycle, end }: Trace,
): boolean {
  if (cue.from <= b && cue.to >= a) return true;
  if (!cycle || b < end || cue.to < cycle.from) return false;
  const first = Math.ceil((a - cue.to) / cycle.length);
  return cue.from + Math.max(1, first) * cycle.length <= b;
}
