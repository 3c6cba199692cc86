import {
  fitEvidence,
  hypothesesOf,
  type Hypothesis,
  inHindsight,
  type ItemFit,
  posterior,
  predicts,
  type RateFactors,
  type Repair,
  seedPairs,
  Traces,
  waysOfFailing,
} from '../inference';
import type { Model, PartIndex } from '../profile';
import {
  contradiction,
  ExpectedFinding,
  NO_PROOF,
  planProof,
  type Proof,
  proofDebt,
  type ProofPlan,
  prove,
} from '../proof';
import { askedKey, equal, type Evidence, likelihood, type Prediction, type Question, questionKey } from '../question';
import type { Authority, Followed } from '../rules';
import { chainKey, CircuitStates, FIRST_EPISODE, setupKey, Trajectories } from '../simulation';
import { ASSUMED, type TestingStandard, USUAL_STANDARD } from '../standards';
import type { Millis } from '../units';
import {
  mayPropose,
  minutesFor,
  type OutcomeClasses,
  type RankedTest,
  rankTests,
  setupFor,
  stillPrepared,
  type Test,
  testsOf,
} from '../test-choice';
import { answeredEarly, COUNTS, type Waiting, waitingFor } from './waiting';

/** Changed whenever advice for the same evidence may change; calls pin it. */
export const ENGINE_VERSION = '3.3.1';

/** With more live hypotheses than this, tests that change the setup are not considered yet, */
const MOST_FOR_INTERVENTION = 16;
/** unless trying them all on all hypotheses takes no more runs than this. */
const FEW_RUNS = 200;
/** A weight of contradictions at which nothing fits any more. */
const FITS_NO_MORE = 3;

/** An incomplete plan that pays this much of the debt is followed all the same: what is really found may pay the rest. */
const MOSTLY = 0.7;

/** Whatever tests have shown, nothing less likely than this is called proved: one of them may have been wrong. */
const PROVED_FROM = 0.85;

/** One repair with all the hypotheses it would mend. */
export interface Suspect {
  readonly repair: Repair;
  readonly probability: number;
  /** Likeliest hypothesis of the group. */
  readonly leading: Hypothesis;
  readonly members: readonly { readonly hypothesis: Hypothesis; readonly probability: number }[];
}

export interface Assessment {
  /** The single faults, and after them the pairs that were worth a thought. */
  readonly hypotheses: readonly Hypothesis[];
  readonly probabilities: Float64Array;
  readonly suspects: readonly Suspect[];
  readonly items: readonly ItemFit[];
  readonly proof: Proof | undefined;
  /** Items the best explanation does not explain; several mean that the model may not know this fault. */
  readonly surprises: readonly string[];
  /** Items that no explanation at all accounts for. */
  readonly fitsNothing: readonly string[];
  /** Nothing fits: the unknown leads, or the best explanation is contradicted. */
  readonly noHypothesisFits: boolean;
}

/** What the next test is chosen for: the evidence, what was refused, who is asking, and how they were taught. */
export interface Situation {
  readonly evidence: Evidence;
  /** Ids of tests the technician cannot or will not make, and what could not be told (see `askedKey`). */
  readonly declined: ReadonlySet<string>;
  readonly person: Authority;
  /** What the rules say of the call; nothing where there is none. */
  readonly followed?: Followed | undefined;
  readonly standard?: TestingStandard;
  /**
   * What is still prepared from the test before (`Test.preparation`), and need not be prepared again. When nothing is
   * said, a part whose ohms were the last reading is still isolated.
   */
  readonly prepared?: string;
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
  /** By way of failing, its severities that disturb nothing. */
  private readonly harmless = new Map<string, ReadonlySet<Hypothesis['index']>>();
  /** In how many ways the setup can be changed for a test. */
  private readonly interventions: number;

  constructor(
    readonly model: Model,
    weights: RateFactors = {},
  ) {
    this.hypotheses = hypothesesOf(model, weights);
    this.tests = testsOf(model);
    this.interventions = new Set(this.tests.filter((t) => t.intervention).map((t) => t.preparation)).size;
    this.circuits = new CircuitStates(model);
    this.traces = new Traces(model, new Trajectories(this.circuits));
  }

  get healthy(): Hypothesis {
    return this.hypotheses[0]!;
  }

  /**
   * Ranks the suspects under all the evidence, and says what is proved. Pairs of faults are looked at when single ones
   * explain badly; `pairs: false` leaves them out, for a first quick answer.
   */
  assess(evidence: Evidence, options: { readonly pairs?: boolean } = {}): Assessment {
    const alone = this.weigh(evidence, this.hypotheses);
    return options.pairs === false ? alone : this.withPairs(evidence, alone);
  }

  /** The same with pairs of faults, where single ones explain badly; `alone` is what they say of this evidence. */
  withPairs(evidence: Evidence, alone: Assessment): Assessment {
    if (!this.explainsBadly(evidence, alone)) return alone;
    const pairs = seedPairs(this.hypotheses, alone.items, evidence, this.hypotheses.length);
    return this.weigh(evidence, [...this.hypotheses, ...pairs]);
  }

  private weigh(evidence: Evidence, hypotheses: readonly Hypothesis[]): Assessment {
    const items = fitEvidence(this.model, this.traces, hypotheses, evidence);
    const probabilities = posterior(hypotheses, items, evidence, (h) => this.priorOf(h));
    const suspects = groupByRepair(hypotheses, probabilities);
    const leading = suspects[0]!.leading;
    const named =
      leading.kind === 'other' || leading.kind === 'unknown' ? bestFault(hypotheses, probabilities) : leading;
    const shown = named && prove(this.model, hypotheses, items, named);
    const sure = suspects.some((s) => s.repair === named?.repair && s.probability >= PROVED_FROM);
    const proof = sure || !shown ? shown : inDoubt(shown);
    const since = named ? inHindsight(named, items) : items;
    const surprises = named ? since.filter((i) => contradiction(named, [i]) > 0).map((i) => i.item.id) : [];
    const fitsNothing = items
      .filter((i) => hypotheses.every((h) => !predicts(h) || contradiction(h, [i]) > 0))
      .map((i) => i.item.id);
    const noHypothesisFits =
      leading.kind === 'unknown' || (named !== undefined && contradiction(named, since) >= FITS_NO_MORE);
    return { hypotheses, probabilities, suspects, items, proof, surprises, fitsNothing, noHypothesisFits };
  }

  /** Whoever calls has something that does not work: a severity that disturbs nothing is seldom what they call for. */
  private priorOf(h: Hypothesis): number {
    return h.prior * (h.severity && this.disturbsNothing(h) ? ASSUMED.disturbsNothing : 1);
  }

  /** Whether the appliance runs with this severity of a way of failing that otherwise stops it. */
  private disturbsNothing(h: Hypothesis): boolean {
    let known = this.harmless.get(h.family);
    if (!known) {
      const all = this.hypotheses.filter((other) => other.family === h.family);
      const running = all.filter((s) => this.traces.last(s.faults, FIRST).trace.outcome === 'runs');
      this.harmless.set(h.family, (known = new Set(running.length === all.length ? [] : running.map((s) => s.index))));
    }
    return known.has(h.index);
  }

  /** Whether every single fault that still counts is contradicted by what was found. */
  private explainsBadly(evidence: Evidence, alone: Assessment): boolean {
    // After a repair, anything that is still not right is a reason to think of a second fault.
    const repaired = evidence.episodes[evidence.episodes.length - 1]!.repaired.length > 0;
    const bad = repaired ? 1 : FITS_NO_MORE - 1;
    return alone.hypotheses.every(
      (h) => !predicts(h) || alone.probabilities[h.index]! < COUNTS || contradiction(h, alone.items) >= bad,
    );
  }

  /** Tests worth making now, best first; terminal by terminal when the standard wants it so. */
  next(situation: Situation, assessment: Assessment): RankedTest[] {
    const { evidence, standard = USUAL_STANDARD, prepared = stillPrepared(this.model, evidence) } = situation;
    const { hypotheses } = assessment;
    // With nothing that fits, the ranking means little: what splits all of them best is asked first.
    const probabilities = assessment.noHypothesisFits ? flattened(assessment.probabilities) : assessment.probabilities;
    const live = waysOfFailing(hypotheses.filter((h) => probabilities[h.index]! >= 0.005)).length;
    const offered = this.offered(situation, assessment).filter((t) => !t.intervention || this.mayIntervene(live));
    const proofOf = (h: Hypothesis): ReadonlyMap<string, number> => {
      const plan = this.proofOf(h, situation, assessment, offered);
      // From terminal to terminal whatever adds something is taken as it comes.
      return standard.order === 'terminal-by-terminal' ? plan.alone() : plan.shares;
    };
    const ranked = rankTests(
      {
        model: this.model,
        traces: this.traces,
        hypotheses,
        evidence,
        answers: this.knownAfter(evidence).answers,
        probabilities,
        standard,
        prepared,
        waits: this.waitsOf(evidence, assessment),
        away: new Set(hypotheses.filter((h) => this.isAway(h, evidence, assessment.items))),
      },
      offered,
      proofOf,
    );
    return standard.order === 'terminal-by-terminal'
      ? ranked.filter((r) => r.bits > 0.02 || r.settles > 0).sort((a, b) => a.test.order - b.test.order)
      : ranked;
  }

  /** Every intervention means a new run for every hypothesis, and pays only once there are few of them. */
  private mayIntervene(hypotheses: number): boolean {
    return hypotheses <= MOST_FOR_INTERVENTION || hypotheses * this.interventions <= FEW_RUNS;
  }

  /**
   * How long, by the model, a safety that was reset takes to open again while what opened it is still there: the longest of
   * the causes that are listed for it; nothing where none of them opens it again.
   */
  timeToTrip(safety: PartIndex): Millis | undefined {
    const times = this.timesToTrip(safety).map(({ time }) => time);
    return times.length === 0 ? undefined : Math.max(...times);
  }

  /** The same for each cause that opens it again, its slowest severity. */
  timesToTrip(safety: PartIndex): readonly { readonly cause: Hypothesis; readonly time: Millis }[] {
    const chain = [FIRST_EPISODE, { ...FIRST_EPISODE, repaired: [safety] }];
    const slowest = new Map<string, { cause: Hypothesis; time: Millis }>();
    for (const cause of this.hypotheses) {
      if (cause.kind !== 'fault' || cause.cause === undefined || cause.breaks !== safety) continue;
      const { outcome, cycle, end } = this.traces.last(cause.faults, chain).trace;
      if (outcome === 'runs') continue;
      const time = cycle ? cycle.from + cycle.length : end;
      if (time > (slowest.get(cause.family)?.time ?? -1)) slowest.set(cause.family, { cause, time });
    }
    return [...slowest.values()];
  }

  /** What was answered too early in the present run, and when it is worth another look; by the key of its question. */
  waiting(evidence: Evidence, assessment: Assessment): ReadonlyMap<string, Waiting> {
    return waitingFor(this.traces, evidence, assessment);
  }

  /** Minutes that have to pass before a question is worth asking again, by its key. */
  private waitsOf(evidence: Evidence, assessment: Assessment): ReadonlyMap<string, number> {
    return new Map(
      [...this.waiting(evidence, assessment)].map(([key, { item, until }]) => [
        key,
        (until - (item.observation.after ?? 0)) / 60_000,
      ]),
    );
  }

  /** Tests that may be proposed and were not answered as things stand now. */
  private offered({ evidence, declined, person, followed }: Situation, assessment: Assessment): Test[] {
    const present = evidence.episodes[evidence.episodes.length - 1]!;
    const early = answeredEarly(this.traces, evidence);
    const waiting = early.size > 0 ? this.waiting(evidence, assessment) : undefined;
    const answered = new Map(assessment.items.map((i) => [askedKey(this.model, i.episode, i.item.observation), i]));
    return this.tests.filter((t) => {
      const setup = setupFor(present.setup, t.intervention);
      const asked = askedKey(this.model, { ...present, setup }, t.question);
      if (declined.has(t.id) || declined.has(asked) || !mayPropose(this.model, t, person, followed)) return false;
      const key = questionKey(this.model, t.question);
      if (!t.intervention && early.has(key)) return waiting?.has(key) === true;
      const before = answered.get(asked);
      if (before && (t.intervention || !this.changedSince(before, evidence, assessment))) return false;
      return !t.intervention || setupKey(setup) !== setupKey(present.setup);
    });
  }

  /** Whether a question may have another answer now than it had: a pilot was lit, a reset was pressed. */
  private changedSince(
    { item, predictions }: ItemFit,
    evidence: Evidence,
    { hypotheses, probabilities }: Assessment,
  ): boolean {
    const { episodes } = evidence;
    if (episodes.slice(item.episode + 1).every((e) => e.setup.actions.length === 0)) return false;
    return hypotheses.some((h) => {
      const then = predictions[h.index];
      if (!then || probabilities[h.index]! < COUNTS) return false;
      return !equal(then, this.traces.predict(h.faults, episodes, item.observation));
    });
  }

  private proofOf(
    suspect: Hypothesis,
    { evidence, standard = USUAL_STANDARD, prepared = stillPrepared(this.model, evidence) }: Situation,
    assessment: Assessment,
    offered: readonly Test[],
  ): ProofPlan {
    const { proof, hypotheses, items } = assessment;
    const proved = proof?.standing === 'proved' && proof.cause?.standing === 'proved';
    if (proved && proof.cause?.hypothesis === suspect.index) return NO_PROOF;
    const debt = proofDebt(this.model, hypotheses, items, suspect);
    if (!debt) return NO_PROOF;
    // Each intervention means a run for every rival.
    const few = this.mayIntervene(waysOfFailing(debt.open.map((o) => o.hypothesis)).length);
    const rivals = debt.open.map((o) => o.hypothesis);
    const findings = this.expectedFindingsOf(evidence, suspect);
    const offers = offered.flatMap((test) => {
      if (test.intervention && !few) return [];
      let expected = findings.get(test);
      if (!expected)
        findings.set(
          test,
          (expected = new ExpectedFinding(this.traces, this.hypotheses, evidence.episodes, test, suspect)),
        );
      const finding = expected.against(rivals);
      if (!finding) return [];
      const { id, preparation } = test;
      const minutes = minutesFor(this.model, test, standard, prepared);
      return [{ id, minutes, preparation, afterwards: minutesFor(this.model, test, standard, preparation), finding }];
    });
    const plan = planProof(this.model, debt, items, offers);
    // Half a proof is none.
    return !few || plan.paid > MOSTLY ? plan : { ...plan, shares: NO_PROOF.shares };
  }

  /** What a hypothesis says a question will answer in the present episode. */
  expect(evidence: Evidence, h: Hypothesis, question: Question): Prediction {
    return this.traces.predict(h.faults, evidence.episodes, question);
  }

  /** Whether a fault that comes and goes does not show in the present episode, by what was seen in it. */
  private isAway(h: Hypothesis, evidence: Evidence, items: readonly ItemFit[]): boolean {
    if (h.occurs === 1) return false;
    let odds = 0;
    for (const i of items)
      if (i.item.episode === evidence.episodes.length - 1) {
        const there = i.fits[h.index];
        if (there && i.sound) odds += Math.log(likelihood(there)) - Math.log(likelihood(i.sound));
      }
    return odds < 0;
  }

  /**
   * The tests that would complete the proof of a suspect in the fewest minutes, answered as it expects; none when it
   * cannot be proved from here, is proved already, or is not a fault of one break.
   */
  planProof(situation: Situation, assessment: Assessment, suspect: Hypothesis): ProofPlan {
    return this.proofOf(suspect, situation, assessment, this.offered(situation, assessment));
  }

  /** What is known of the tests after the present chain of episodes: one reading more changes nothing of it. */
  private present = {
    chain: '',
    answers: new Map<Test, OutcomeClasses>(),
    forefindings: new WeakMap<Hypothesis, Map<Test, ExpectedFinding>>(),
  };

  private knownAfter({ episodes }: Evidence): typeof this.present {
    const chain = chainKey(episodes);
    if (this.present.chain !== chain) this.present = { chain, answers: new Map(), forefindings: new WeakMap() };
    return this.present;
  }

  private expectedFindingsOf(evidence: Evidence, suspect: Hypothesis): Map<Test, ExpectedFinding> {
    const { forefindings } = this.knownAfter(evidence);
    let byTest = forefindings.get(suspect);
    if (!byTest) forefindings.set(suspect, (byTest = new Map()));
    return byTest;
  }
}

/** An appliance as it is met. */
const FIRST = [FIRST_EPISODE];

/** What is shown, without the word for it. */
const inDoubt = (proof: Proof): Proof => ({
  ...proof,
  standing: 'suspected',
  cause: proof.cause && { ...proof.cause, standing: 'suspected' },
  requirements: [...proof.requirements, { requirement: 'likely-enough', met: false, by: [] }],
});

function groupByRepair(hypotheses: readonly Hypothesis[], probabilities: Float64Array): Suspect[] {
  const groups = new Map<Repair, Hypothesis[]>();
  for (const h of hypotheses) groups.set(h.repair, [...(groups.get(h.repair) ?? []), h]);
  return [...groups]
    .map(([repair, members]) => {
      const sorted = waysOfFailing(members, (h) => probabilities[h.index]!).map(({ hypothesis, weight }) => ({
        hypothesis,
        probability: weight,
      }));
      return {
        repair,
        probability: sorted.reduce((sum, m) => sum + m.probability, 0),
        leading: sorted[0]!.hypothesis,
        members: sorted,
      };
    })
    .sort((a, b) => b.probability - a.probability);
}

const bestFault = (hypotheses: readonly Hypothesis[], probabilities: Float64Array): Hypothesis | undefined =>
  waysOfFailing(
    hypotheses.filter((h) => h.kind === 'fault'),
    (h) => probabilities[h.index]!,
  )[0]?.hypothesis;

/** A ranking without much belief in itself. */
function flattened(probabilities: Float64Array): Float64Array {
  const flat = probabilities.map((p) => p ** 0.25);
  const total = flat.reduce((sum, p) => sum + p, 0);
  return flat.map((p) => p / total);
}
