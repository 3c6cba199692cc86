import { asIndex } from '../profile';
import { type Evidence, likelihood } from '../question';
import { type Hypothesis, pairOf, waysOfFailing } from './hypothesis';
import type { ItemFit } from './posterior';

/** How many pairs are worth simulating, best first. */
const MOST_PAIRS = 24;
/** One item counts at most this much against a single, in natural logarithms: the other fault may explain it. */
const CLIP = 5;

/**
 * Pairs of faults that together might explain what no single one does: each item is left to the member that explains it
 * better. Seeded from the singles and ranked by that hope; only the best few are simulated, never all.
 */
export function seedPairs(
  singles: readonly Hypothesis[],
  items: readonly ItemFit[],
  evidence: Evidence,
  firstIndex: number,
): Hypothesis[] {
  const hopeful = singles.filter((h) => h.kind === 'fault' && h.occurs === 1 && h.repair !== 'none');
  const promises = new Map(hopeful.map((h) => [h, Math.log(h.prior) + total(hopesOf(h, items))]));
  // Beside the best: over a long log the plain numbers are too small to be told apart.
  const most = Math.max(...promises.values());
  const faults = waysOfFailing(hopeful, (h) => Math.exp((promises.get(h)! - most) / Math.max(1, items.length))).map(
    (w) => w.hypothesis,
  );
  const priors = new Map(waysOfFailing(hopeful).map((w) => [w.hypothesis.family, w.weight]));
  const repaired = evidence.episodes[evidence.episodes.length - 1]!.repaired;
  const hopes = faults.map((h) => hopesOf(h, items));
  const found: { a: Hypothesis; b: Hypothesis; hope: number }[] = [];
  for (let a = 0; a < faults.length; a++)
    for (let b = a + 1; b < faults.length; b++) {
      const [first, second] = [faults[a]!, faults[b]!];
      if (first.faults[0]!.part === second.faults[0]!.part) continue;
      // What was repaired without a cure is half of the answer, or beside the point.
      if (repaired.length > 0 && ![first, second].some((h) => repaired.includes(h.faults[0]!.part))) continue;
      let hope = Math.log(priors.get(first.family)! * priors.get(second.family)!);
      for (let i = 0; i < items.length; i++) hope += Math.max(hopes[a]![i]!, hopes[b]![i]!);
      found.push({ a: first, b: second, hope });
    }
  found.sort((x, y) => y.hope - x.hope);
  return found.slice(0, MOST_PAIRS).map(({ a, b }, i) => {
    const [first, second] = total(hopes[faults.indexOf(a)]!) >= total(hopes[faults.indexOf(b)]!) ? [a, b] : [b, a];
    return pairOf(first, second, asIndex(firstIndex + i), repaired, priors.get(a.family)! * priors.get(b.family)!);
  });
}

/** How well each item goes with a fault, clipped. */
const hopesOf = (h: Hypothesis, items: readonly ItemFit[]): number[] =>
  items.map((i) => {
    const fit = i.fits[h.index];
    return fit ? Math.max(-CLIP, Math.log(Math.max(likelihood(fit), 1e-12) / i.base)) : -CLIP;
  });

const total = (values: readonly number[]): number => values.reduce((sum, v) => sum + v, 0);
