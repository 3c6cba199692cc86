import { type Assessment, type Engine, standingOf } from '../diagnosis';
import type { Hypothesis } from '../inference';
import { proofDebt } from '../proof';
import type { CallState } from '../visit';
import type { ExerciseKind } from './exercise';

/** Below this share of what is believed, rivals that are left do not count much; half the points. */
const NEARLY = 0.05;
/** From this share on a sound appliance is believed sound. */
const SOUND = 0.5;

/** How far the part is condemned, and its rivals are excluded; 0 to 1 each. */
export function condemnedBy(
  assessment: Assessment,
  truth: Hypothesis,
  { model }: Engine,
): { readonly condemned: number; readonly excluded: number } {
  if (standingOf(assessment) === 'proved' && assessment.suspects[0]!.repair === truth.repair)
    return { condemned: 1, excluded: 1 };
  // Of several severities the one that explains best is spoken of.
  const own = assessment.hypotheses.filter((h) => h.repair === truth.repair && h.kind === 'fault');
  const best = own.reduce((a, b) => (assessment.probabilities[b.index]! > assessment.probabilities[a.index]! ? b : a));
  const debt = proofDebt(model, assessment.hypotheses, assessment.items, best);
  if (!debt) return { condemned: 0, excluded: 0 };
  const open = debt.open.filter(({ hypothesis }) => hypothesis.breaks !== truth.breaks);
  const believed = open.reduce((sum, { hypothesis }) => sum + assessment.probabilities[hypothesis.index]!, 0);
  return {
    condemned: debt.condemned > 0.999 ? 1 : debt.condemned,
    excluded: open.length === 0 ? 1 : believed < NEARLY ? 0.5 : 0,
  };
}

/** Proof where nothing is to condemn: the right ending, what else it might have been, a run that was watched. */
export function nothingToCondemn(
  kind: ExerciseKind,
  ending: string | undefined,
  { suspects }: Assessment,
  { followed }: CallState,
  right: boolean,
  /** How much of a sound run's order was told, where that is asked. */
  order: number | undefined,
): number {
  const wanted = kind === 'refer' ? 'referred' : 'nothing-found';
  const first = suspects[0]!;
  const told = kind === 'refer' ? right : first.repair === 'none' && first.probability > SOUND;
  const watched = kind === 'refer' ? right : followed.c.is('smell', 'none') || !followed.c.mayBurn;
  return (ending === wanted ? 15 : 0) + 10 * (order ?? (told ? 1 : 0)) + (watched ? 5 : 0);
}
