import type { Hypothesis, Traces } from '../inference';
import { equal, kindOf, type Prediction } from '../question';
import type { Episode, FaultRef } from '../simulation';
import { episodesFor, type Test } from './tests';

/** An appliance whose fault is away. */
const SOUND: readonly FaultRef[] = [];

/**
 * What one test is answered by every hypothesis, after some episodes. Hypotheses that answer the very same are told by one
 * number, so that ranking a test anew with other weights need not compare predictions again. Filled as it is asked.
 */
export class OutcomeClasses {
  /** The different predictions, by number. */
  readonly distinct: Prediction[] = [];
  private readonly chain: readonly Episode[];
  /** By index; of the pairs, which are others in every assessment, those that were asked about last. */
  private readonly asked: Hypothesis[] = [];
  private readonly numbers: number[] = [];
  private sound: number | undefined;
  private sorted: readonly number[] = [];
  private readonly likes: (boolean | undefined)[][] = [];
  private readonly same: (a: Prediction, b: Prediction) => boolean;
  private readonly place: (p: Prediction) => number;

  constructor(
    private readonly traces: Traces,
    episodes: readonly Episode[],
    private readonly test: Test,
  ) {
    this.chain = episodesFor(episodes, test);
    const kind = kindOf(test.question);
    this.same = kind.sameOutcome(traces.model, test.question);
    this.place = kind.place;
  }

  /** The number of the answer of a hypothesis, or of a sound appliance while its fault is away. */
  of(h: Hypothesis, away: boolean): number {
    if (away) return (this.sound ??= this.number(SOUND));
    if (this.asked[h.index] !== h) {
      this.asked[h.index] = h;
      this.numbers[h.index] = this.number(h.faults);
    }
    return this.numbers[h.index]!;
  }

  private number(faults: readonly FaultRef[]): number {
    const prediction = this.traces.predict(faults, this.chain, this.test.question);
    const known = this.distinct.findIndex((p) => equal(p, prediction));
    return known >= 0 ? known : this.distinct.push(prediction) - 1;
  }

  /** The numbers, so that like answers are neighbours. */
  inOrder(): readonly number[] {
    const { distinct } = this;
    if (this.sorted.length < distinct.length)
      this.sorted = distinct
        .map((_, n) => n)
        .sort((a, b) => this.place(distinct[a]!) - this.place(distinct[b]!) || a - b);
    return this.sorted;
  }

  /** Whether two answers would be read as the same one. */
  sameOutcome(a: number, b: number): boolean {
    const likes = (this.likes[a] ??= []);
    return (likes[b] ??= this.same(this.distinct[a]!, this.distinct[b]!));
  }
}
