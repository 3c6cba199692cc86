import type { Assessment, Engine } from '../diagnosis';
import type { CallState } from '../visit';
import type { ViewOptions } from './call-view';
import { testTitle } from './test-words';

/** What it would take to prove one suspect, as the screen shows it. */
export interface ProofView {
  readonly tests: readonly { readonly id: string; readonly title: string; readonly minutes: number }[];
  readonly minutes: number;
  /** Together they prove it, if it is so; otherwise they leave something open. */
  readonly whole: boolean;
}

type ProofOptions = Pick<ViewOptions, 'person' | 'standard'>;

/** The shortest way to prove a suspect, named by its repair; undefined when nothing is left to do about it. */
export function proofView(
  engine: Engine,
  state: CallState,
  assessment: Assessment,
  repair: string,
  { person, standard }: ProofOptions,
): ProofView | undefined {
  const suspect = assessment.suspects.find((s) => s.repair === repair);
  if (suspect?.leading.kind !== 'fault') return undefined;
  const situation = { evidence: state.evidence, declined: state.declined, person, followed: state.followed, standard };
  const { shares, minutes, paid } = engine.planProof(situation, assessment, suspect.leading);
  const tests = [...shares.keys()].map((id) => {
    const test = engine.tests.find((t) => t.id === id)!;
    return { id, title: testTitle(engine.model, test), minutes: minutes.get(id)! };
  });
  return { tests, minutes: tests.reduce((sum, t) => sum + t.minutes, 0), whole: paid > 0.999 };
}
