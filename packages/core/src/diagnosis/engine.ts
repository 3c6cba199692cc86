import type { Model } from '../profile';
import { CircuitStates } from '../sequence';
import { fitOf, scaleOf } from './likelihood';
import { hypothesesOf, type Hypothesis, type Weights } from './hypothesis';
import { rankTests, type RankedTest } from './next-test';
import { episodeKey, questionKey, type Evidence, type Observation, type Question } from './observation';
import { fitEvidence, posterior, type ItemFit } from './posterior';
import type { Prediction } from './predict';
import { contradiction, prove, touches, type Proof } from './proof';
import { mayPropose, type Role } from './safety';
import { setupFor, testsOf, type Test } from './tests';
import { Traces } from './traces';

/** Changed whenever advice for the same evidence may change; calls pin it. */
export const ENGINE_VERSION = '1.0.0';

/** With more live hypotheses than this, tests that change the setup are not considered yet. */
const MOST_FOR_INTERVENTION = 16;

/** One repair with all the hypotheses it would mend. */
export interface Suspect {
  readonly repair: string;
  readonly probability: number;
  /** Likeliest hypothesis of the group. */
  readonly leading: Hypothesis;
  readonly members: readonly { readonly hypothesis: Hypothesis; readonly probability: number }[];
}

export interface Assessment {
  readonly probabilities: Float64Array;
  readonly suspects: readonly Suspect[];
  readonly items: readonly ItemFit[];
  readonly proof: Proof | undefined;
  /** Items the best explanation does not explain; several mean that the model may not know this fault. */
  readonly surprises: readonly string[];
  /** Nothing fits: the unknown leads, or the best explanation is contradicted. */
  readonly baffled: boolean;
}

/** What the next test is chosen for: the evidence, what was refused, and who is asking. */
export interface Situation {
  readonly evidence: Evidence;
  /** Ids of tests the technician cannot or will not make. */
  readonly declined: ReadonlySet<string>;
  readonly role: Role;
}

/**
 * The diagnosis of one appliance: hypotheses, evidence, next test. Holds only caches; every answer is a function of
 * model, weights and situation.
 */
export class Engine {
  readonly hypotheses: readonly Hypothesis[];
  readonly tests: readonly Test[];
  readonly circuits: CircuitStates;
  readonly traces: Traces;

  constructor(
    readonly model: Model,
    weights: Weights = {},
  ) {
    this.hypotheses = hypothesesOf(model, weights);
    this.tests = testsOf(model);
    this.circuits = new CircuitStates(model);
    this.traces = new Traces(model, this.circuits);
  }

  get healthy(): Hypothesis {
    return this.hypotheses[0]!;
  }

  /** Ranks the suspects under all the evidence, and says what is proved. */
  assess(evidence: Evidence): Assessment {
    const items = fitEvidence(this.model, this.traces, this.hypotheses, evidence);
    const probabilities = posterior(this.hypotheses, items, evidence);
    const suspects = this.suspects(probabilities);
    const leading = suspects[0]!.leading;
    const named = leading.kind === 'other' || leading.kind === 'unknown' ? this.bestFault(probabilities) : leading;
    const proof = named && prove(this.model, this.hypotheses, items, named);
    const surprises = named ? items.filter((i) => contradiction(named, [i]) > 0).map((i) => i.item.id) : [];
    const unknown = this.hypotheses[this.hypotheses.length - 1]!;
    const baffled = leading === unknown || (named !== undefined && contradiction(named, items) >= 3);
    return { probabilities, suspects, items, proof, surprises, baffled };
  }

  /** Tests worth making now, best first. `walk` gives the terminal-by-terminal order instead. */
  next(situation: Situation, assessment: Assessment, walk = false): RankedTest[] {
    const { evidence, declined, role } = situation;
    const present = evidence.episodes[evidence.episodes.length - 1]!;
    const answered = new Set(
      evidence.items.map(
        (i) => `${episodeKey(evidence.episodes[i.episode]!)}|${questionKey(this.model, i.observation)}`,
      ),
    );
    // Every intervention means a new run for every live hypothesis, and pays only once there are few of them.
    const live = assessment.probabilities.reduce((n, p) => n + (p >= 0.005 ? 1 : 0), 0);
    const offered = this.tests.filter((t) => {
      if (t.intervention && live > MOST_FOR_INTERVENTION) return false;
      if (declined.has(t.id) || !mayPropose(t, role)) return false;
      const setup = setupFor(present.setup, t.intervention);
      if (answered.has(`${episodeKey({ ...present, setup })}|${questionKey(this.model, t.question)}`)) return false;
      return !t.intervention || setup !== present.setup;
    });
    const ranked = rankTests(
      {
        model: this.model,
        traces: this.traces,
        hypotheses: this.hypotheses,
        evidence,
        probabilities: assessment.probabilities,
      },
      offered,
      (test, h) => this.wouldSettle(evidence, assessment, test, h),
    );
    return walk
      ? ranked.filter((r) => r.bits > 0.02 || r.settles > 0).sort((a, b) => a.test.order - b.test.order)
      : ranked;
  }

  /** What a hypothesis says a question will answer in the present episode. */
  expect(evidence: Evidence, h: Hypothesis, question: Question): Prediction {
    return this.traces.predict(h, evidence.episodes, question);
  }

  private suspects(probabilities: Float64Array): Suspect[] {
    const groups = new Map<string, Hypothesis[]>();
    for (const h of this.hypotheses) groups.set(h.repair, [...(groups.get(h.repair) ?? []), h]);
    return [...groups]
      .map(([repair, members]) => {
        const sorted = members
          .map((hypothesis) => ({ hypothesis, probability: probabilities[hypothesis.index]! }))
          .sort((a, b) => b.probability - a.probability);
        return {
          repair,
          probability: sorted.reduce((sum, m) => sum + m.probability, 0),
          leading: sorted[0]!.hypothesis,
          members: sorted,
        };
      })
      .sort((a, b) => b.probability - a.probability);
  }

  private bestFault(probabilities: Float64Array): Hypothesis | undefined {
    let best: Hypothesis | undefined;
    for (const h of this.hypotheses)
      if (h.kind === 'fault' && (best === undefined || probabilities[h.index]! > probabilities[best.index]!)) best = h;
    return best;
  }

  /** Whether a test, answered as the hypothesis expects, would complete its proof. */
  private wouldSettle(evidence: Evidence, assessment: Assessment, test: Test, h: Hypothesis): boolean {
    if (assessment.proof?.standing === 'proved' && assessment.proof.cause?.standing === 'proved') return false;
    const present = evidence.episodes[evidence.episodes.length - 1]!;
    if (test.intervention) return false;
    const expected = this.expect(evidence, h, test.question);
    const observation = synthesise(test.question, expected);
    if (!observation || !touches(this.model, h, observation)) return false;
    const item = { id: 'if', episode: evidence.episodes.length - 1, observation };
    const predictions = this.hypotheses.map((g) =>
      g.kind === 'healthy' || g.kind === 'fault' ? this.expect(evidence, g, test.question) : undefined,
    );
    const known = predictions.filter((p) => p !== undefined);
    const scale = scaleOf(this.model, test.question, known);
    const fits = predictions.map((p) => p && fitOf(this.model, observation, p, scale));
    const extra: ItemFit = {
      item,
      group: `${episodeKey(present)}|${questionKey(this.model, test.question)}`,
      predictions,
      fits,
      base: known[0]?.kind === 'choice' ? 1 / known[0].of : Math.max(1e-9, ...fits.map((f) => f?.base ?? 0)),
    };
    const proof = prove(this.model, this.hypotheses, [...assessment.items, extra], h);
    return proof?.standing === 'proved' && proof.cause?.standing === 'proved';
  }
}

/** The observation a prediction amounts to. */
export function synthesise(question: Question, p: Prediction): Observation | undefined {
  switch (question.kind) {
    case 'seen':
      return p.kind === 'choice' ? { ...question, answer: p.answer === 1 } : undefined;
    case 'look':
      return p.kind === 'choice' && p.answer >= 0 ? { ...question, answer: p.answer } : undefined;
    case 'volts':
      if (p.kind === 'volts') return { ...question, reading: { kind: 'value', value: p.volts, dimension: 'voltage' } };
      if (p.kind === 'unsteady')
        return { ...question, reading: { kind: 'range', low: p.low, high: p.high, dimension: 'voltage' } };
      return { ...question, reading: { kind: 'value', value: 1, dimension: 'voltage' } };
    case 'ohms':
      if (p.kind !== 'ohms') return undefined;
      return {
        ...question,
        reading:
          p.ohms > 5e6
            ? { kind: 'open', dimension: 'resistance' }
            : { kind: 'value', value: p.ohms, dimension: 'resistance' },
      };
    case 'gauge':
    case 'timing':
      return p.kind === 'number'
        ? { ...question, reading: { kind: 'value', value: p.value, dimension: 'none' } }
        : undefined;
    default:
      return undefined;
  }
}
