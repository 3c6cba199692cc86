import { TRAINED } from '../rules';
import type { Engine } from '../diagnosis';
import type { Hypothesis } from '../inference';
import { type Evidence, observationOf, type Question } from '../question';
import { FIRST_EPISODE } from '../simulation';
import { followed } from './followed';

/** What is seen of one try for heat when a fault is there and nobody errs. */
export function watchedTry(engine: Engine, h: Hypothesis): Evidence {
  const { phases, codes } = engine.model;
  const nothing: Evidence = { episodes: [FIRST_EPISODE], items: [] };
  const questions: Question[] = phases.map((p) => ({ kind: 'seen', phase: p.index }));
  questions.push({ kind: 'outcome' });
  if (codes.length > 0) questions.push({ kind: 'code' });
  return {
    ...nothing,
    items: questions.map((q, i) => ({
      id: `watched ${i}`,
      episode: 0,
      observation: observationOf(engine.model, q, engine.expect(nothing, h, q))!,
    })),
  };
}

/** A look without which a proof would be none: who is wrong about it proves wrongly, or nothing. */
interface DecidingLook {
  readonly id: string;
  /** How often a careful person is right about it. */
  readonly tells: number;
}

/** How far a fault can be proved before it is mended, once a try was watched. */
export interface ProofOutlook {
  readonly fault: Hypothesis;
  /** Minutes of the cheapest set of tests that proves it, or that comes nearest to it. */
  readonly minutes: number;
  readonly whole: boolean;
  /** Rivals that no test excludes; with none, it is the part itself that nothing condemns. */
  readonly open: readonly Hypothesis[];
  /** Looks that decide its cheapest proof by themselves; none while it cannot be proved. */
  readonly looks: readonly DecidingLook[];
}

/** The cheapest proof of some faults, each from its own watched try. */
export function proofOutlook(engine: Engine, faults: readonly Hypothesis[]): ProofOutlook[] {
  return faults.map((fault) => {
    const evidence = watchedTry(engine, fault);
    const assessment = engine.assess(evidence, { pairs: false });
    const situation = { evidence, declined: new Set<string>(), person: TRAINED };
    const { shares, minutes, paid, open } = engine.planProof(situation, assessment, fault);
    const sum = [...minutes.values()].reduce((total, m) => total + m, 0);
    const whole = paid > 0.999;
    return {
      fault,
      minutes: sum,
      whole,
      open,
      looks: whole ? deciding(engine, fault, evidence, [...shares.keys()]) : [],
    };
  });
}

function deciding(engine: Engine, fault: Hypothesis, watched: Evidence, ids: readonly string[]): DecidingLook[] {
  const proves = (tests: readonly string[]): boolean => {
    const { proof } = engine.assess(followed(engine, fault, watched, tests), { pairs: false });
    return proof?.standing === 'proved' && proof.cause?.standing === 'proved';
  };
  if (!proves(ids)) return [];
  return ids.flatMap((id) => {
    const question = engine.tests.find((t) => t.id === id)!.question;
    if (question.kind !== 'look' || proves(ids.filter((other) => other !== id))) return [];
    const { id: look, tells } = engine.model.looks[question.look]!;
    return [{ id: look, tells }];
  });
}
