import { type Hypothesis, type ItemFit, predicts, type Traces, uninformed } from '../inference';
import {
  equal,
  type Fit,
  kindOf,
  type Observation,
  observationOf,
  type Prediction,
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
  /** By index; of the pairs, which are others in every assessment, those that were asked about last. */
  private readonly asked: Hypothesis[] = [];
  private readonly fits: (Fit | undefined)[] = [];
  private readonly weights: number[] = [];
  /** Undefined when there would be nothing to note. */
  private readonly foretold: Finding | undefined;

  constructor(
    private readonly traces: Traces,
    singles: readonly Hypothesis[],
    episodes: readonly Episode[],
    test: Test,
    private readonly leading: Hypothesis,
  ) {
    const { model } = traces;
    const { id, question, intervention } = test;
    this.chain = episodesFor(episodes, test);
    const healthy = singles[0]!;
    const tell = ({ faults }: Hypothesis): Prediction => traces.predict(faults, this.chain, question);
    this.expected = tell(leading);
    this.sound = tell(healthy);
    // Only a number has a scale that depends on what others expect.
    const others = !intervention && this.expected.kind === 'number' ? singles.filter(predicts).map(tell) : [];
    this.scale = scaleOf(model, question, [this.expected, this.sound, ...others]);
    const observation = observationOf(model, question, this.expected);
    if (!observation) return;
    this.own = kindOf(observation).fit(model, observation, this.expected, this.scale, this.sound);
    const finds: ItemFit = {
      item: { id: 'if', episode: this.chain.length - 1, observation },
      group: id,
      predictions: [this.sound],
      fits: this.fits,
      fitsIfBad: new Map(),
      sound: this.fit(observation, this.sound),
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
    const { observation } = finds.item;
    for (const h of rivals) {
      if (this.asked[h.index] === h) continue;
      this.asked[h.index] = h;
      this.fits[h.index] = this.fit(observation, this.traces.predict(h.faults, this.chain, observation));
      this.weights[h.index] = weightOf(h, finds, h.breaks === this.leading.breaks);
    }
    return this.foretold;
  }

  /** How well what would be observed fits what somebody expects; most rivals expect the very same as the suspect. */
  private fit(observation: Observation, shown: Prediction): Fit | undefined {
    if (equal(shown, this.expected)) return this.own;
    return kindOf(observation).fit(this.traces.model, observation, shown, this.scale, this.sound);
  }
}
