import type { Model } from '../profile';
import { kindOf, type Prediction, type Question, questionKey } from '../question';
import { atMoment, type Episode, type FaultRef, type Lived, Lives, type Trajectories } from '../simulation';

/** What sets of faults answer to questions after chains of episodes: nothing is worked out twice, whichever hypothesis asks. */
export class Traces {
  private readonly lives: Lives;
  private readonly answers = new WeakMap<Lived, Map<string, Prediction>>();
  private readonly courses = new WeakMap<Lived, string>();
  private readonly questionKeys = new WeakMap<Question, string>();

  constructor(
    readonly model: Model,
    trajectories: Trajectories,
  ) {
    this.lives = new Lives(model, trajectories);
  }

  /** How many runs were simulated, for the benchmark. */
  get runs(): number {
    return this.lives.runs;
  }

  /** See `Lives.last`. */
  last(faults: readonly FaultRef[], chain: readonly Episode[]): Lived {
    return this.lives.last(faults, chain);
  }

  predict(faults: readonly FaultRef[], chain: readonly Episode[], question: Question): Prediction {
    const lived = this.lives.last(faults, chain);
    let known = this.answers.get(lived);
    if (!known) this.answers.set(lived, (known = new Map()));
    let key = this.questionKeys.get(question);
    if (key === undefined) this.questionKeys.set(question, (key = questionKey(this.model, question)));
    let answer = known.get(key);
    if (!answer) known.set(key, (answer = this.answer(lived, question)));
    return answer;
  }

  /** How an appliance goes: equal for those that end alike, show the same and come to the same steps as often. */
  course(faults: readonly FaultRef[], chain: readonly Episode[]): string {
    const lived = this.lives.last(faults, chain);
    let course = this.courses.get(lived);
    if (course === undefined) {
      const { outcome, code, cues } = lived.trace;
      this.courses.set(lived, (course = `${outcome} ${code} ${cues.map((c) => Math.min(c.length, 2)).join('')}`));
    }
    return course;
  }

  private answer(lived: Lived, question: Question): Prediction {
    const { after } = question;
    return kindOf(question).predict(
      this.model,
      after === undefined ? lived : atMoment(this.model, lived, after),
      question,
    );
  }
}
