import { type Hypothesis, type ItemFit, predicts, type Traces, uninformed } from '../inference';
import type { Model } from '../profile';
import {
  answersOf,
  type Episode,
  equal,
  type Fit,
  fitOf,
  type Observation,
  type Prediction,
  type Question,
  readsOpen,
  type Scale,
  scaleOf,
  voltsRangeOf,
} from '../question';
import { OUTCOMES } from '../simulation';
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
    const observation = synthesise(model, question, this.expected);
    if (!observation) return;
    this.own = fitOf(model, observation, this.expected, this.scale, this.sound);
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
    const onPart = question.kind === 'look' || question.kind === 'gauge' || isRelevantTo(model, leading, question);
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
    return fitOf(this.traces.model, observation, shown, this.scale, this.sound);
  }
}

/** The observation a prediction amounts to. */
export function synthesise(model: Model, question: Question, p: Prediction): Observation | undefined {
  switch (question.kind) {
    case 'outcome':
      return p.kind === 'choice' ? { kind: 'outcome', outcome: OUTCOMES[p.answer]! } : undefined;
    case 'code':
      return p.kind === 'choice' ? { kind: 'code', code: answersOf(model, question)[p.answer]! } : undefined;
    case 'seen':
      return p.kind === 'choice' ? { ...question, answer: p.answer === 1 } : undefined;
    case 'look':
      return p.kind === 'choice' && p.answer >= 0 ? { ...question, answer: p.answer } : undefined;
    case 'told':
      return question;
    case 'volts':
      if (p.kind === 'volts') return { ...question, reading: { kind: 'value', value: p.volts, dimension: 'voltage' } };
      if (p.kind === 'unsteady')
        return { ...question, reading: { kind: 'range', low: p.low, high: p.high, dimension: 'voltage' } };
      return {
        ...question,
        reading: { kind: 'value', value: 0.7 * voltsRangeOf(model, question).stray, dimension: 'voltage' },
      };
    case 'ohms':
      if (p.kind !== 'ohms') return undefined;
      return {
        ...question,
        reading: readsOpen(p.ohms)
          ? { kind: 'open', dimension: 'resistance' }
          : { kind: 'value', value: p.ohms, dimension: 'resistance' },
      };
    case 'gauge':
    case 'timing':
      return p.kind === 'number'
        ? { ...question, reading: { kind: 'value', value: p.value, dimension: 'none' } }
        : undefined;
  }
}
