import type { Assessment } from '../diagnosis';
import type { Hypothesis } from '../inference';

/** How much narrower than before the estimate must have become to be worth saying. */
const TOLD = 0.6;

/** How far gone a suspect is by what was measured, beside a new one; nothing while no reading says so. */
export function severityWords({ hypotheses, probabilities }: Assessment, suspect: Hypothesis): string | undefined {
  if (suspect.severity?.left === undefined) return undefined;
  const family = hypotheses.filter((h) => h.family === suspect.family);
  const before = estimate(family, (h) => h.prior);
  const now = estimate(family, (h) => probabilities[h.index]!);
  if (now.sd > TOLD * before.sd) return undefined;
  if (now.mean > 1) return `about ${now.mean.toFixed(1)} times a new one`;
  if (now.mean < 0.04) return 'hardly anything of a new one';
  if (Math.abs(now.mean - 0.5) < 0.04) return 'about half of a new one';
  return `about ${Math.round(now.mean * 20) * 5} % of a new one`;
}

/** Mean and standard deviation of what is left, over the severities of one way of failing. */
function estimate(family: readonly Hypothesis[], weightOf: (h: Hypothesis) => number): { mean: number; sd: number } {
  const total = family.reduce((sum, h) => sum + weightOf(h), 0);
  const average = (of: (left: number) => number): number =>
    family.reduce((sum, h) => sum + (weightOf(h) / total) * of(h.severity!.left!), 0);
  const mean = average((left) => left);
  return { mean, sd: Math.sqrt(Math.max(0, average((left) => left * left) - mean * mean)) };
}
