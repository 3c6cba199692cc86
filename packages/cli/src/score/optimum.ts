import type { Engine } from '@zetalysis/core/diagnosis';
import type { Hypothesis } from '@zetalysis/core/inference';
import type { Evidence } from '@zetalysis/core/question';
import { FIRST_EPISODE, type Random } from '@zetalysis/core/simulation';
import { USUAL_STANDARD } from '@zetalysis/core/standards';
import { minutesFor, MOST_TO_PLAN, rankTests, type Test } from '@zetalysis/core/test-choice';

const NORMAL: Evidence = { episodes: [FIRST_EPISODE], items: [] };
/** Tests in one small problem. */
const TESTS = 24;

/** A small problem without noise: which answer each of its hypotheses gives to each of its tests. */
interface Problem {
  readonly hypotheses: readonly Hypothesis[];
  readonly tests: readonly Test[];
  readonly minutes: readonly number[];
  readonly outcome: readonly Int16Array[];
}

/**
 * Plays small problems without noise with the engine's own ranking, and against the exact optimum over all policies:
 * expected minutes until what is left is one repair, or cannot be split further.
 */
export function optimumRatios(
  engine: Engine,
  faults: readonly Hypothesis[],
  random: Random,
  problems: number,
): { problems: number; mean: number; worst: number } {
  const ratios: number[] = [];
  while (ratios.length < problems) {
    const problem = draw(engine, faults, random);
    const best = optimum(problem, everyone(problem));
    if (best > 0) ratios.push(played(engine, problem, everyone(problem)) / best);
  }
  return {
    problems,
    mean: ratios.reduce((sum, r) => sum + r, 0) / ratios.length,
    worst: Math.max(...ratios),
  };
}

const everyone = (p: Problem): number[] => p.hypotheses.map((_, i) => i);

function draw(engine: Engine, faults: readonly Hypothesis[], random: Random): Problem {
  const pick = <T>(list: readonly T[], count: number): T[] => {
    const left = [...list];
    return Array.from(
      { length: Math.min(count, left.length) },
      () => left.splice(Math.floor(random.next() * left.length), 1)[0]!,
    );
  };
  const hypotheses = pick(faults, MOST_TO_PLAN);
  const tests = pick(
    engine.tests.filter((t) => t.intervention === undefined && !blurred(engine, hypotheses, t)),
    TESTS,
  );
  const ranked = rank(engine, hypotheses, tests, hypotheses);
  const outcome = tests.map((test) => {
    const of = new Int16Array(hypotheses.length);
    const found = ranked.find((r) => r.test === test);
    found?.outcomes.forEach((o, n) =>
      o.expectedBy.forEach((index) => (of[hypotheses.findIndex((h) => h.index === index)] = n)),
    );
    return of;
  });
  return { hypotheses, tests, minutes: tests.map((t) => minutesFor(engine.model, t, USUAL_STANDARD)), outcome };
}

/**
 * Whether a test has an outcome whose extremes would be told apart if nothing lay between them: what it splits then
 * depends on who else is left, and a problem without noise must not.
 */
function blurred(engine: Engine, hypotheses: readonly Hypothesis[], test: Test): boolean {
  const [ranked] = rank(engine, hypotheses, [test], hypotheses);
  return (ranked?.outcomes ?? []).some((o) => {
    const own = o.expectedBy.map((index) => hypotheses.find((h) => h.index === index)!);
    return own.some((h) => (rank(engine, hypotheses, [test], [own[0]!, h])[0]?.outcomes.length ?? 0) > 1);
  });
}

/** The engine's ranking when only some hypotheses are possible. */
function rank(
  engine: Engine,
  all: readonly Hypothesis[],
  tests: readonly Test[],
  left: readonly Hypothesis[],
): ReturnType<typeof rankTests> {
  const probabilities = new Float64Array(engine.hypotheses.length);
  const total = left.reduce((sum, h) => sum + h.prior, 0);
  for (const h of left) probabilities[h.index] = h.prior / total;
  const ranking = {
    model: engine.model,
    traces: engine.traces,
    hypotheses: all,
    evidence: NORMAL,
    answers: new Map(),
    probabilities,
    standard: USUAL_STANDARD,
    prepared: '',
    away: new Set<Hypothesis>(),
    exact: true,
  };
  return rankTests(ranking, tests, () => new Map());
}

const settled = (p: Problem, left: readonly number[]): boolean =>
  left.every((i) => p.hypotheses[i]!.repair === p.hypotheses[left[0]!]!.repair);

function split(p: Problem, left: readonly number[], test: number): number[][] {
  const parts = new Map<number, number[]>();
  for (const i of left) {
    const o = p.outcome[test]![i]!;
    parts.set(o, [...(parts.get(o) ?? []), i]);
  }
  return [...parts.values()];
}

const weight = (p: Problem, left: readonly number[]): number =>
  left.reduce((sum, i) => sum + p.hypotheses[i]!.prior, 0);

/** Expected minutes when the engine's first test is always taken. */
function played(engine: Engine, p: Problem, left: readonly number[]): number {
  if (settled(p, left)) return 0;
  const hypotheses = left.map((i) => p.hypotheses[i]!);
  for (const r of rank(engine, p.hypotheses, p.tests, hypotheses)) {
    const test = p.tests.indexOf(r.test);
    const parts = split(p, left, test);
    if (parts.length < 2) continue;
    const after = parts.reduce((sum, part) => sum + (weight(p, part) / weight(p, left)) * played(engine, p, part), 0);
    return r.minutes + after;
  }
  return 0;
}

/** The exact optimum by dynamic programming over sets, written apart from the engine's own planner. */
function optimum(p: Problem, all: readonly number[]): number {
  const known = new Map<string, number>();
  const best = (left: readonly number[]): number => {
    if (settled(p, left)) return 0;
    const key = left.join();
    const before = known.get(key);
    if (before !== undefined) return before;
    let least = Infinity;
    p.tests.forEach((_, t) => {
      const parts = split(p, left, t);
      if (parts.length < 2) return;
      let cost = p.minutes[t]!;
      for (const part of parts) cost += (weight(p, part) / weight(p, left)) * best(part);
      least = Math.min(least, cost);
    });
    known.set(key, least === Infinity ? 0 : least);
    return known.get(key)!;
  };
  return best(all);
}
