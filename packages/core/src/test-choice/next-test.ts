import { type Hypothesis, type HypothesisIndex, predicts, type Traces } from '../inference';
import type { Model } from '../profile';
import { type Evidence, type Prediction, questionKey } from '../question';
import type { TestingStandard } from '../standards';
import { OutcomeClasses } from './outcome-classes';
import { MOST_TO_PLAN, planMinutes } from './plan';
import { minutesFor, type Test } from './tests';

/** A test with what it is worth now. */
export interface RankedTest {
  readonly test: Test;
  /** Expected information about what would be repaired, bits. */
  readonly bits: number;
  readonly minutes: number;
  /** What it is expected to add to the proof of the leading suspect, bits. */
  readonly settles: number;
  /** Worth per minute; what the ranking goes by. */
  readonly score: number;
  /** The outcomes it can have, and which hypotheses expect which. */
  readonly outcomes: readonly TestOutcome[];
}

interface TestOutcome {
  readonly probability: number;
  readonly prediction: Prediction;
  /** Indices of hypotheses that expect this outcome, likeliest first. */
  readonly expectedBy: readonly HypothesisIndex[];
}

/** Share of answers that come out wrong, for the value of a test. */
const ERROR = 0.03;
/** Hypotheses below this share of the posterior are left out of the ranking. */
const LEAST = 0.002;
/** A reading at a step is not proposed when the step is this likely not to come. */
const MOST_ABSENT = 0.5;
/** From this share on a suspect is worth proving, and what a whole proof is worth, bits. */
const LEADS = 0.35;
const PROOF_BITS = 1.5;
/** What is this certain only has to be proved: to tell the rest apart would be minutes spent on nothing. */
const SURE = 0.9;
/** Tests that tell less than this, and prove nothing, are not worth a walk to the machine. */
const LEAST_BITS = 0.02;
/** How many of the best tests are looked at two deep. */
const AHEAD = 4;

export interface Ranking {
  readonly model: Model;
  readonly traces: Traces;
  readonly hypotheses: readonly Hypothesis[];
  readonly evidence: Evidence;
  /** What is known of the tests after these episodes; grows. */
  readonly answers: Map<Test, OutcomeClasses>;
  readonly probabilities: Float64Array;
  readonly standard: TestingStandard;
  /** What is still prepared from the test before. */
  readonly prepared: string;
  /** Minutes that have to pass before a question is worth asking, by its key. */
  readonly waits?: ReadonlyMap<string, number>;
  /** Faults that come and go, and do not show at present. */
  readonly away: ReadonlySet<Hypothesis>;
  /** Leave nothing out, however unlikely or small: for problems small enough to be planned to their end. */
  readonly exact?: boolean;
}

interface Binned {
  readonly test: Test;
  readonly bins: readonly TestOutcome[];
  /** Bin by position in `live`; −1 for hypotheses without a prediction. */
  readonly of: Int16Array;
  readonly minutes: number;
}

/**
 * Ranks tests by expected information about the repair per minute, looking two tests ahead among the best few.
 * With few suspects left the best plan is worked out to its end. `proofOf` gives, by test id, the share of a suspect's
 * missing proof that the test would bring, answered as that suspect expects.
 */
export function rankTests(
  r: Ranking,
  tests: readonly Test[],
  proofOf: (h: Hypothesis) => ReadonlyMap<string, number>,
): RankedTest[] {
  const least = r.exact === true ? Number.MIN_VALUE : LEAST;
  const live = r.hypotheses.filter((h) => r.probabilities[h.index]! >= least);
  const weights = Float64Array.from(live, (h) => r.probabilities[h.index]!);
  const total = weights.reduce((s, w) => s + w, 0);
  for (let i = 0; i < weights.length; i++) weights[i]! /= total;
  const groups = groupsOf(live);
  const binned = tests.map((test) => bin(r, live, weights, test)).filter((b) => b.bins.length > 0);
  const leader = live.reduce(
    (best, h) => (r.probabilities[h.index]! > r.probabilities[best.index]! ? h : best),
    live[0]!,
  );
  const leadShare = weights[live.indexOf(leader)]!;
  const leads = leader.kind === 'fault' && leadShare > LEADS;
  const proof = leads ? proofOf(leader) : undefined;
  const scored = binned.map((b) => {
    const bits = information(b, weights, groups);
    const settles = leadShare * PROOF_BITS * (proof?.get(b.test.id) ?? 0);
    return { b, bits, settles, score: (bits + settles) / b.minutes };
  });
  scored.sort((x, y) => y.score - x.score || x.b.test.order - y.b.test.order);
  const repairShare = live.reduce((sum, h, i) => (h.repair === leader.repair ? sum + weights[i]! : sum), 0);
  const proving = repairShare > SURE && proof ? scored.filter((s) => proof.has(s.b.test.id)) : [];
  const others = byPlan(scored, live, weights, groups, proofOf, r.exact === true).filter(
    (s) => !proving.some((p) => p.b === s.b),
  );
  const rest = r.exact === true ? others : cheapFirst(others);
  return [...proving, ...rest]
    .filter((s) => s.bits > (r.exact === true ? 0 : LEAST_BITS) || s.settles > 0)
    .map(({ b, bits, settles, score }) => ({
      test: b.test,
      bits,
      minutes: b.minutes,
      settles,
      score,
      outcomes: b.bins,
    }));
}

/** As good per minute as the best, to within what the minutes are known. */
const AS_GOOD = 0.98;

/** Of tests that are as good as the best, the shortest comes first: a look before anything is taken apart. */
function cheapFirst(scored: readonly Scored[]): Scored[] {
  const [best] = scored;
  if (!best) return [];
  const first = scored
    .filter((s) => s.score >= AS_GOOD * best.score && s.bits > LEAST_BITS)
    .reduce((least, s) => (s.b.minutes < least.b.minutes ? s : least), best);
  return [first, ...scored.filter((s) => s !== first)];
}

interface Scored {
  readonly b: Binned;
  readonly bits: number;
  readonly settles: number;
  readonly score: number;
}

/** A plan goes for what makes up this share of the suspicion; the rest is for the proof to exclude. */
const PLANNED_SHARE = 0.97;
/** Most tests that enter a plan. */
const PLANNED = 48;
/** From this share on it is worked out what the proof of a suspect would take; for so many of the likeliest. */
const TO_PROVE = 0.05;
const MOST_PROOFS = 6;

/** With few suspects left, the order of the best plans; with many, of the best two tests. */
function byPlan(
  scored: readonly Scored[],
  live: readonly Hypothesis[],
  weights: Float64Array,
  groups: Groups,
  proofOf: (h: Hypothesis) => ReadonlyMap<string, number>,
  exact: boolean,
): Scored[] {
  const planned = likeliest(
    live.flatMap((h, i) => (predicts(h) ? [i] : [])),
    weights,
    exact ? 1 : PLANNED_SHARE,
  );
  if (planned.length > MOST_TO_PLAN) {
    const best = scored
      .slice(0, AHEAD)
      .map((s) => ({ ...s, score: Math.max(s.score, twoDeep(s.b, s.bits + s.settles, scored, weights, groups)) }));
    best.sort((x, y) => y.score - x.score);
    return [...best, ...scored.slice(AHEAD)];
  }
  const candidates = scored.slice(0, PLANNED);
  const shares = planned.map((i) => weights[i]!).sort((a, b) => b - a);
  const toProve = Math.max(TO_PROVE, shares[MOST_PROOFS - 1] ?? 0);
  const proofs = planned.map((i) => (weights[i]! >= toProve ? proofOf(live[i]!) : undefined));
  const minutes = planMinutes(
    planned.map((i) => weights[i]!),
    planned.map((i) => groups.of[i]!),
    candidates.map(({ b }) => ({
      minutes: b.minutes,
      outcome: planned.map((i) => b.of[i]!),
      needed: proofs.map((proof) => proof?.has(b.test.id) === true),
    })),
  );
  const least = Math.min(...minutes);
  const plan = candidates.map((s, t) => {
    // A test that only proves leaves the rest of the plan to be walked.
    const needed = planned.reduce((sum, i, p) => (proofs[p]?.has(s.b.test.id) === true ? sum + weights[i]! : sum), 0);
    const whole = minutes[t] === Infinity ? s.b.minutes * (1 - needed) + (least === Infinity ? 0 : least) : minutes[t]!;
    return { ...s, score: 1 / Math.max(0.05, whole) };
  });
  plan.sort((x, y) => y.score - x.score || x.b.test.order - y.b.test.order);
  return [...plan, ...scored.slice(PLANNED)];
}

/** The likeliest of some hypotheses that together make up this share of them. */
function likeliest(some: readonly number[], weights: Float64Array, share: number): number[] {
  if (share === 1) return [...some];
  const order = [...some].sort((a, b) => weights[b]! - weights[a]!);
  let missing = share * some.reduce((sum, i) => sum + weights[i]!, 0);
  const found = order.filter((i) => {
    const wanted = missing > 0;
    missing -= weights[i]!;
    return wanted;
  });
  return found.sort((a, b) => a - b);
}

/** Worth per minute of a test followed by the best second test after each of its outcomes. */
function twoDeep(
  first: Binned,
  worth: number,
  all: readonly { b: Binned }[],
  weights: Float64Array,
  groups: Groups,
): number {
  let bits = worth;
  let minutes = first.minutes;
  for (let outcome = 0; outcome < first.bins.length; outcome++) {
    const after = weights.map((w, i) => w * answerChance(first, i, outcome));
    const share = after.reduce((s, w) => s + w, 0);
    if (share < 0.02) continue;
    const next = after.map((w) => w / share);
    let best = { rate: 0, bits: 0, minutes: 0 };
    for (const { b } of all.slice(0, 25)) {
      if (b === first) continue;
      const gain = information(b, next, groups);
      if (gain / b.minutes > best.rate) best = { rate: gain / b.minutes, bits: gain, minutes: b.minutes };
    }
    bits += share * best.bits;
    minutes += share * best.minutes;
  }
  return bits / minutes;
}

/** Which repair each live hypothesis asks for, by number. */
interface Groups {
  readonly of: Int32Array;
  readonly count: number;
}

function groupsOf(live: readonly Hypothesis[]): Groups {
  const repairs = [...new Set(live.map((h) => h.repair))];
  return { of: Int32Array.from(live, (h) => repairs.indexOf(h.repair)), count: repairs.length };
}

function bin(r: Ranking, live: readonly Hypothesis[], weights: Float64Array, test: Test): Binned {
  let answers = r.answers.get(test);
  if (!answers) r.answers.set(test, (answers = new OutcomeClasses(r.traces, r.evidence.episodes, test)));
  const { distinct } = answers;
  const minutes = minutesFor(r.model, test, r.standard, r.prepared) + waitOf(r, test);
  const of = new Int16Array(live.length).fill(-1);
  const givenBy: number[][] = [];
  let absent = 0;
  for (let i = 0; i < live.length; i++) {
    const h = live[i]!;
    if (!predicts(h)) continue;
    const answer = answers.of(h, r.away.has(h));
    const p = distinct[answer]!;
    if ('absent' in p && p.absent) absent += weights[i]!;
    (givenBy[answer] ??= []).push(i);
  }
  // Nobody can read at a step that will hardly come.
  if (absent > MOST_ABSENT && r.exact !== true) return { test, of, minutes, bins: [] };
  const bins: { probability: number; prediction: Prediction; by: number[] }[] = [];
  let last = -1;
  for (const answer of answers.inOrder()) {
    const by = givenBy[answer];
    if (!by) continue;
    if (last < 0 || !answers.sameOutcome(last, answer))
      bins.push({ probability: 0, prediction: distinct[answer]!, by: [] });
    const current = bins[bins.length - 1]!;
    for (const i of by) {
      current.probability += weights[i]!;
      current.by.push(i);
      of[i] = bins.length - 1;
    }
    last = answer;
  }
  return {
    test,
    of,
    minutes,
    bins: bins.map(({ probability, prediction, by }) => ({
      probability,
      prediction,
      expectedBy: by.sort((x, y) => weights[y]! - weights[x]!).map((i) => live[i]!.index),
    })),
  };
}

const waitOf = ({ model, waits }: Ranking, { question, intervention }: Test): number =>
  intervention || !waits || waits.size === 0 ? 0 : (waits.get(questionKey(model, question)) ?? 0);

/** Chance of an outcome under the i-th live hypothesis; those without a prediction answer anything. */
function answerChance(b: Binned, i: number, outcome: number): number {
  const n = b.bins.length;
  const own = b.of[i]!;
  if (own < 0) return 1 / n;
  if (n === 1) return 1;
  return own === outcome ? 1 - ERROR : ERROR / (n - 1);
}

/** Mutual information between the outcome and the repair, bits; `answerChance` summed up by repair. */
function information(b: Binned, weights: Float64Array, groups: Groups): number {
  const n = b.bins.length;
  if (n < 2) return 0;
  const { of, count } = groups;
  const joint = new Float64Array(count * n);
  const total = new Float64Array(count);
  const blind = new Float64Array(count);
  const stray = ERROR / (n - 1);
  for (let i = 0; i < weights.length; i++) {
    const group = of[i]!;
    const own = b.of[i]!;
    total[group]! += weights[i]!;
    if (own < 0) blind[group]! += weights[i]!;
    else joint[group * n + own]! += weights[i]! * (1 - ERROR - stray);
  }
  const outcomes = new Float64Array(n);
  for (let g = 0; g < count; g++) {
    const any = stray * (total[g]! - blind[g]!) + blind[g]! / n;
    for (let o = 0; o < n; o++) outcomes[o]! += joint[g * n + o]! += any;
  }
  let bits = 0;
  for (let g = 0; g < count; g++)
    for (let o = 0; o < n; o++) {
      const p = joint[g * n + o]!;
      if (p > 0) bits += p * Math.log2(p / (outcomes[o]! * total[g]!));
    }
  return bits;
}
