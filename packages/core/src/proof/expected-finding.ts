import { type Hypothesis, type ItemFit, predicts, type Traces, uninformed, Weighing } from '../inference';
import {
  equal,
  type Fit,
  isAbsent,
  kindOf,
  observationOf,
  type Prediction,
  reaching,
  type Scale,
  scaleOf,
} from '../question';
import type { Episode } from '../simulation';
import { episodesFor, type Test } from '../test-choice';
import { isRelevantTo, weightOf } from './proof';
import type { Finding } from './proof-plan';

/**
 * What a test would find if a suspect is right, and how that would sit with its rivals. Each rival is simulated when it is
 * first asked about: an intervention means a run for every one of them.
 */
export class ExpectedFinding {
  private readonly chain: readonly Episode[];
  private readonly expected: Prediction;
  private readonly sound: Prediction;
  private readonly scale: Scale;
  private readonly own: Fit | undefined;
  private readonly fitOf!: (h: Hypothesis) => Fit;
  /** By index; of the pairs, which are others in every assessment, those that were asked about last. */
  private readonly asked: Hypothesis[] = [];
  private readonly fits: (Fit | undefined)[] = [];
  private readonly weights: number[] = [];
  /** Undefined when there would be nothing to note. */
  private readonly foretold: Finding | undefined;

  constructor(
    private readonly traces: Traces,
    private readonly singles: readonly Hypothesis[],
    episodes: readonly Episode[],
    private readonly test: Test,
    private readonly leading: Hypothesis,
  ) {
    const { model } = traces;
    const { id, question, intervention } = test;
    this.chain = episodesFor(episodes, test);
    const healthy = singles[0]!;
    this.expected = this.tell(leading);
    this.sound = this.tell(healthy);
    // Only a number has a scale that depends on what others expect.
    const others =
      !intervention && this.expected.kind === 'number' ? singles.filter(predicts).map((h) => this.tell(h)) : [];
    this.scale = scaleOf(model, question, [this.expected, this.sound, ...others]);
    const observation = observationOf(model, question, this.expected);
    // Nobody reads at a step that does not come.
    if (!observation || isAbsent(this.expected)) return;
    const weigh = new Weighing(traces, true).reading(observation, this.scale, this.chain, (p) =>
      kindOf(observation).fit(model, observation, p, this.scale, this.sound),
    );
    this.fitOf = (h) => weigh(this.predicted(h), h);
    this.own = this.fitOf(leading);
    const soundFit = this.fit(healthy);
    const finds: ItemFit = {
      item: { id: 'if', episode: this.chain.length - 1, observation },
      group: id,
      predictions: [this.sound],
      fits: this.fits,
      sinceRepair: new Map(),
      sound: soundFit,
      base: uninformed([this.expected], [this.own]),
      episode: this.chain[this.chain.length - 1]!,
    };
    const onPart = kindOf(question).clears === true || isRelevantTo(model, leading, question);
    this.foretold = { finds, weights: this.weights, onPart };
    this.against([leading, healthy]);
  }

  /** What is found, with these rivals among those it is weighed against. */
  against(rivals: readonly Hypothesis[]): Finding | undefined {
    if (!this.foretold) return undefined;
    const { finds } = this.foretold;
    for (const h of rivals) {
      if (this.asked[h.index] === h) continue;
      this.asked[h.index] = h;
      this.fits[h.index] = this.fit(h);
      this.weights[h.index] = weightOf(h, finds, h.breaks === this.leading.breaks);
    }
    return this.foretold;
  }

  /** How well what would be observed fits what somebody expects; most rivals expect the very same as the suspect. */
  private fit(h: Hypothesis): Fit | undefined {
    const alike = !h.severity && !this.leading.severity && equal(this.tell(h), this.expected);
    return alike ? this.own : this.fitOf(h);
  }

  private tell({ faults }: Hypothesis): Prediction {
    return this.traces.predict(faults, this.chain, this.test.question);
  }

  /** What somebody expects, as far as it reaches to the severities beside it. */
  private predicted(h: Hypothesis): Prediction {
    const own = this.tell(h);
    if (!h.severity || h.occurs < 1) return own;
    const family = this.singles.filter((s) => s.family === h.family);
    const at = family.indexOf(h);
    return at < 0
      ? own
      : reaching(family.map((s) => ({ prediction: this.tell(s), course: this.traces.course(s.faults, this.chain) })))[
          at
        ]!;
  }
}
