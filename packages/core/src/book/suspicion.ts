import type { Assessment } from '../diagnosis';
import type { RateFactors } from '../inference';
import { wayOf } from './ways';

/** How much a way of failing was believed under the rates that ship, and what would mend it. */
export interface Suspicion {
  readonly way: string;
  readonly repair: string;
  readonly share: number;
}

/** Less than this is never first, whatever rates come to. */
const LEAST = 0.0005;

/** Everything that is believed, by way of failing. */
export function suspicionsOf({ hypotheses, probabilities }: Assessment): Suspicion[] {
  const found = new Map<string, Suspicion>();
  for (const h of hypotheses) {
    const key = `${wayOf(h)} ${h.repair}`;
    const { share } = found.get(key) ?? { share: 0 };
    found.set(key, { way: wayOf(h), repair: h.repair, share: share + probabilities[h.index]! });
  }
  return [...found.values()].filter(({ share }) => share >= LEAST).sort((a, b) => b.share - a.share);
}

/**
 * The first suspect had the rates been others, and its share. Bayes: what the evidence says stays, only the prior is another one. Nothing
 * where nothing was believed.
 */
export function firstUnder(
  suspicions: readonly Suspicion[],
  factors: RateFactors,
): { readonly repair: string; readonly share: number } | undefined {
  const repairs = new Map<string, number>();
  let total = 0;
  for (const { way, repair, share } of suspicions) {
    const weight = share * (factors[way] ?? 1);
    total += weight;
    repairs.set(repair, (repairs.get(repair) ?? 0) + weight);
  }
  const [best] = [...repairs].sort((a, b) => b[1] - a[1]);
  return best && { repair: best[0], share: best[1] / total };
}

/** A call whose advice other rates would have changed, as far as it is known what it was. */
export type Change = 'better' | 'worse' | 'neither';

/** What other rates would have changed of the first suspect of a call; nothing where it stays. */
export function changeOf(
  { watched, repairs }: { readonly watched: readonly Suspicion[]; readonly repairs: readonly string[] },
  from: RateFactors,
  to: RateFactors,
): Change | undefined {
  const was = firstUnder(watched, from)?.repair;
  const becomes = firstUnder(watched, to)?.repair;
  if (was === undefined || becomes === undefined || was === becomes) return undefined;
  const right = (repair: string): boolean => repairs.includes(repair);
  if (right(becomes) === right(was)) return 'neither';
  return right(becomes) ? 'better' : 'worse';
}
