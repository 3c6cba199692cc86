import { type Assessment, type Engine, standingOf } from '../diagnosis';
import type { Model } from '../profile';
import { type Case, caseEvents, type Expectation } from './case';
import { reduceCall } from './reduce';

export interface CaseResult {
  readonly assessment: Assessment;
  /** Expectations that were not met, with their line. */
  readonly failures: readonly string[];
  readonly expectations: number;
}

/** Plays a case through reducer and engine, checking every expectation at its place. */
export function checkCase(engine: Engine, loaded: Case): CaseResult {
  const failures: string[] = [];
  let expectations = 0;
  loaded.steps.forEach((step, i) => {
    if (!('expect' in step)) return;
    expectations++;
    const state = reduceCall(engine.model, caseEvents(loaded.steps.slice(0, i)), { needs: 'met' });
    failures.push(...unmet(engine.model, engine.assess(state.evidence), step.expect));
  });
  const state = reduceCall(engine.model, caseEvents(loaded.steps), { needs: 'met' });
  return { assessment: engine.assess(state.evidence), failures, expectations };
}

function unmet(model: Model, assessment: Assessment, e: Expectation): string[] {
  const failures: string[] = [];
  const miss = (what: string): void => void failures.push(`line ${e.line}: ${what}`);
  const first = assessment.suspects[0]!;
  const ranking = assessment.suspects
    .slice(0, 3)
    .map((s) => `${s.repair} ${Math.round(s.probability * 100)} %`)
    .join(', ');
  if (e.oneOf && !e.oneOf.includes(first.repair))
    miss(`first suspect should be ${e.oneOf.join(' or ')}, is ${ranking}`);
  if (e.mustNot?.includes(first.repair)) miss(`must not advise ${first.repair}`);
  if (e.atLeast !== undefined && first.probability < e.atLeast)
    miss(`first suspect should have at least ${e.atLeast}, has ${first.probability.toFixed(3)}`);
  const named = first.leading;
  const breaks = named.breaks === undefined ? 'none' : model.parts[named.breaks]!.id;
  if (e.break !== undefined && breaks !== e.break) miss(`break should be ${e.break}, is ${breaks} (${ranking})`);
  const cause = named.cause === undefined ? 'none' : model.parts[named.cause]!.id;
  if (e.cause !== undefined && cause !== e.cause) miss(`cause should be ${e.cause}, is ${cause}`);
  if (e.baffled !== undefined && assessment.noHypothesisFits !== e.baffled)
    miss(e.baffled ? `nothing should fit, but ${ranking}` : `something should fit; ${ranking}`);
  const standing = standingOf(assessment);
  if (e.standing !== undefined && standing !== e.standing)
    miss(
      `should be ${e.standing}, is ${standing}${assessment.proof ? ` (rivals: ${assessment.proof.rivals.length})` : ''}`,
    );
  return failures;
}
