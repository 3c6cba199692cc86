import type { Model } from '../profile';
import type { Hypothesis } from './hypothesis';
import { fitOf, likelihood, scaleOf, type Fit } from './likelihood';
import { episodeKey, questionKey, type Evidence, type EvidenceItem } from './observation';
import type { Prediction } from './predict';
import type { Traces } from './traces';

/** How one item of evidence sits with every hypothesis. */
export interface ItemFit {
  readonly item: EvidenceItem;
  /** Same question in a like episode: readings in one group are not independent. */
  readonly group: string;
  /** By hypothesis index; undefined for hypotheses that predict nothing. */
  readonly predictions: readonly (Prediction | undefined)[];
  readonly fits: readonly (Fit | undefined)[];
  readonly base: number;
}

/** A part that is broken in an unlisted way does, half the time, something like one of the listed ways. */
const OTHER_LIKE_LISTED = 0.5;
/** A new part that is bad, the wrong variant or badly fitted, as a share of repairs. */
const BAD_REPAIR = 0.03;

/** Compares every item with every hypothesis. Hypotheses that predict (healthy, faults) are simulated. */
export function fitEvidence(
  model: Model,
  traces: Traces,
  hypotheses: readonly Hypothesis[],
  evidence: Evidence,
): ItemFit[] {
  return evidence.items.map((item) => {
    const chain = evidence.episodes.slice(0, item.episode + 1);
    const predictions = hypotheses.map((h) =>
      h.kind === 'healthy' || h.kind === 'fault' ? traces.predict(h, chain, item.observation) : undefined,
    );
    const known = predictions.filter((p) => p !== undefined);
    const scale = scaleOf(model, item.observation, known);
    const fits = predictions.map((p) => p && fitOf(model, item.observation, p, scale));
    const episode = evidence.episodes[item.episode]!;
    return {
      item,
      group: `${episodeKey(episode)}|${questionKey(model, item.observation)}`,
      predictions,
      fits,
      base: uninformed(known, fits),
    };
  });
}

/** What somebody who knows nothing would expect: even odds over answers, or the blunder density. */
function uninformed(predictions: readonly Prediction[], fits: readonly (Fit | undefined)[]): number {
  const first = predictions[0];
  if (first?.kind === 'choice') return 1 / first.of;
  return Math.max(1e-9, ...fits.map((f) => f?.base ?? 0));
}

/**
 * Posterior probability of every hypothesis. Readings of the same question in a like episode are not independent: together
 * they count little more than one, so that repeating a wrong reading does not make it true.
 */
export function posterior(
  hypotheses: readonly Hypothesis[],
  items: readonly ItemFit[],
  evidence: Evidence,
): Float64Array {
  const groups = new Map<string, ItemFit[]>();
  for (const item of items) groups.set(item.group, [...(groups.get(item.group) ?? []), item]);
  const logs = Float64Array.from(hypotheses, (h) => Math.log(h.prior));
  for (const group of groups.values()) {
    const single = hypotheses.map((h) => groupLikelihood(group, h.index));
    for (const h of hypotheses) {
      let value: number;
      const base = group.reduce((product, i) => product * i.base, 1) ** (1 / group.length);
      if (h.kind === 'unknown') value = base;
      else if (h.kind === 'other') {
        const siblings = hypotheses.filter((s) => s.kind === 'fault' && s.faults[0]!.part === h.faults[0]!.part);
        const listed =
          siblings.length === 0 ? base : siblings.reduce((sum, s) => sum + single[s.index]!, 0) / siblings.length;
        value = OTHER_LIKE_LISTED * listed + (1 - OTHER_LIKE_LISTED) * base * 0.7;
      } else value = single[h.index]!;
      logs[h.index]! += Math.log(Math.max(value, 1e-300));
    }
  }
  // A repair that did not cure speaks against the part, as far as new parts are good: its fault lives on only as a bad repair.
  const repaired = new Set(evidence.episodes.flatMap((e) => e.repaired));
  if (repaired.size > 0)
    for (const h of hypotheses)
      if (h.kind === 'other' && repaired.has(h.faults[0]!.part)) logs[h.index]! += Math.log(BAD_REPAIR);
  return normalise(logs);
}

/** What each further reading of the same question adds, as a share of an independent one, and how many count. */
const REPEAT_WORTH = 0.25;
const REPEATS_COUNTED = 4;

function groupLikelihood(group: readonly ItemFit[], hypothesis: number): number {
  let product = 1;
  for (const item of group) {
    const fit = item.fits[hypothesis];
    if (!fit) return 0;
    product *= likelihood(fit);
  }
  const n = group.length;
  return n === 1 ? product : product ** ((1 + REPEAT_WORTH * (Math.min(n, REPEATS_COUNTED) - 1)) / n);
}

function normalise(logs: Float64Array): Float64Array {
  const top = Math.max(...logs);
  const weights = logs.map((l) => Math.exp(l - top));
  const total = weights.reduce((sum, w) => sum + w, 0);
  return weights.map((w) => w / total);
}
