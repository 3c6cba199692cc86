import type { Hypothesis, Traces } from '../inference';
import type { Model } from '../profile';
import {
  type Episode,
  equal,
  isDead,
  numberError,
  numberSd,
  type Prediction,
  type Question,
  type VoltsRange,
  voltsRangeOf,
  voltsSd,
} from '../question';
import type { FaultRef } from '../simulation';
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
  private readonly range: VoltsRange | undefined;

  constructor(
    private readonly traces: Traces,
    episodes: readonly Episode[],
    private readonly test: Test,
  ) {
    this.chain = episodesFor(episodes, test);
    this.range = test.question.kind === 'volts' ? voltsRangeOf(traces.model, test.question) : undefined;
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
      this.sorted = distinct.map((_, n) => n).sort((a, b) => place(distinct[a]!) - place(distinct[b]!) || a - b);
    return this.sorted;
  }

  /** Whether two answers would be read as the same one. */
  sameOutcome(a: number, b: number): boolean {
    const likes = (this.likes[a] ??= []);
    return (likes[b] ??= alike(
      this.traces.model,
      this.test.question,
      this.range,
      this.distinct[a]!,
      this.distinct[b]!,
    ));
  }
}

/** Orders predictions so that like ones are neighbours. */
function place(p: Prediction): number {
  switch (p.kind) {
    case 'choice':
      return p.answer;
    case 'volts':
      return p.volts;
    case 'unsteady':
      return 1e6 + p.low;
    case 'ghost':
      // Beside the dead wire it is easily taken for.
      return 0;
    case 'ohms':
      return Math.min(p.ohms, 1e12);
    case 'number':
      return p.value;
    case 'never':
      return 3e6;
  }
}

function alike(model: Model, question: Question, range: VoltsRange | undefined, a: Prediction, b: Prediction): boolean {
  if (range) {
    // A ghost is easily taken for a dead wire, and the other way round.
    if (looksDead(a, range) && looksDead(b, range)) return true;
    if (a.kind === 'volts' && b.kind === 'volts')
      return Math.abs(a.volts - b.volts) < 2 * (voltsSd(a.volts, range) + voltsSd(b.volts, range));
  }
  if (a.kind === 'choice' && b.kind === 'choice') return a.answer === b.answer;
  if (a.kind === 'ohms' && b.kind === 'ohms') {
    if (!Number.isFinite(a.ohms) || !Number.isFinite(b.ohms)) return a.ohms === b.ohms;
    return Math.abs(Math.log(Math.max(a.ohms, 0.1) / Math.max(b.ohms, 0.1))) < 0.3 || Math.abs(a.ohms - b.ohms) < 0.8;
  }
  if (a.kind === 'number' && b.kind === 'number') {
    const error = numberError(model, question);
    return Math.abs(a.value - b.value) < 2 * (numberSd(a.value, a.spread, error) + numberSd(b.value, b.spread, error));
  }
  return a.kind === b.kind;
}

const looksDead = (p: Prediction, range: VoltsRange): boolean =>
  p.kind === 'ghost' || (p.kind === 'volts' && isDead(p.volts, range));
