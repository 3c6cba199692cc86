import type { CommonCause, Fit, Prediction } from '../question';
import { likelihood } from '../question';
import type { Episode } from '../simulation';
import type { Hypothesis, HypothesisIndex } from './hypothesis';

/**
 * Follows what the readings of one call say together of what moves them (a clock, leads, a pressure), under each hypothesis:
 * every reading is weighed in the light of those before, so that the second of a kind is no further surprise.
 */
export class CommonCauses {
  private readonly known = new Map<string, Map<HypothesisIndex, readonly number[]>>();

  /** How to weigh one reading; every hypothesis is asked about once. `plain` says how often it is misread. */
  reading(
    { key, renewed, ways, odds }: CommonCause,
    { repaired }: Episode,
    plain: (p: Prediction) => Fit,
  ): (p: Prediction, h: Hypothesis) => Fit {
    const before = this.follow(renewed ? `${key}|${[...repaired].sort((a, b) => a - b).join()}` : key);
    return (p, h) => {
      const { base, blunder } = plain(p);
      const known = before.get(h.index) ?? odds ?? ways.map(() => 1 / ways.length);
      const fits = ways.map((fitOf) => fitOf(p));
      const after = known.map((share, w) => share * likelihood({ fit: fits[w]!, base, blunder }));
      const total = after.reduce((sum, x) => sum + x, 0);
      if (total > 0)
        before.set(
          h.index,
          after.map((x) => x / total),
        );
      return { fit: known.reduce((sum, share, w) => sum + share * fits[w]!, 0), base, blunder };
    };
  }

  private follow(key: string): Map<HypothesisIndex, readonly number[]> {
    let known = this.known.get(key);
    if (!known) this.known.set(key, (known = new Map()));
    return known;
  }
}
