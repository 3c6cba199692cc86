/** A new part that a call may need, and how likely that is. */
interface Chance {
  readonly part: string;
  readonly title: string;
  readonly share: number;
}

/** How often whoever is called back soon found what had been left behind; of those of whom it is known. */
export interface Repeats {
  readonly same: number;
  readonly of: number;
}

/** Until the shop’s own callbacks say otherwise, and as many of them as it weighs (common practice, no source). */
const ASSUMED_SHARE = 0.3;
const ASSUMED_WORTH = 8;

/** The share of callbacks on which it is the same again: beta–binomial (Gelman et al., Bayesian Data Analysis, section 2.4). */
export const sameAgain = ({ same, of }: Repeats): number =>
  (ASSUMED_SHARE * ASSUMED_WORTH + same) / (ASSUMED_WORTH + of);

/**
 * What a call may need whose machine broke shortly before, and of which nothing else is known than what was told: with the share of
 * callbacks that are the same again it needs what it needed then, else what the engine says.
 */
export function partsAfter<C extends Chance>(
  parts: readonly C[],
  before: { readonly part: string; readonly title: string },
  repeats: Repeats,
): (C | Chance)[] {
  const again = sameAgain(repeats);
  const rest = parts.map((p) => ({ ...p, share: p.share * (1 - again) }));
  const same = rest.find((p) => p.part === before.part);
  const all = same
    ? rest.map((p) => (p === same ? { ...p, share: p.share + again } : p))
    : [...rest, { part: before.part, title: before.title, share: again }];
  return all.sort((a, b) => b.share - a.share);
}
