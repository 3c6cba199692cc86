import { byTelephone, type Carried, partsNeeded } from '../analysis';
import { type Assessment, type Engine, repairOrder } from '../diagnosis';
import { predicts } from '../inference';
import type { CallState } from '../visit';
import type { ViewOptions } from './call-view';
import { proofView } from './proof-view';
import { repairWords } from './test-view';

/** How long a visit would take from here, minutes: to the proof, the likely repair, and its proof. */
export interface CallLength {
  /** Half of such visits are over by then, and four of five. */
  readonly p50: number;
  readonly p80: number;
  /** What would be mended most likely, and what to load for it. */
  readonly likely: string;
  /** New parts that may be needed, the likeliest first. */
  readonly parts: readonly Carried[];
  /** Nothing was entered yet but what a customer can tell. */
  readonly untouched: boolean;
}

/** Suspects beyond these hardly change how long it takes. */
const MOST = 6;
/** Coming, looking, and telling the customer; a visit of which nobody knows anything yet (common practice, no source). */
const AROUND = 20;
const UNKNOWN = { p50: 75, p80: 120 } as const;

/**
 * How long a call takes from where it stands: for each suspect the shortest way to its proof and its repair, weighed by how likely
 * it is. Nothing where the model knows nothing of it.
 */
export function callLength(
  engine: Engine,
  state: CallState,
  assessment: Assessment,
  options: Pick<ViewOptions, 'person' | 'standard'>,
): CallLength {
  const suspects = assessment.suspects.filter(({ leading }) => predicts(leading)).slice(0, MOST);
  const order = repairOrder(assessment);
  const times = suspects.map(({ repair, probability }) => {
    const toProof = proofView(engine, state, assessment, repair, options)?.minutes ?? 0;
    const mend = order.find((step) => step.repair === repair)?.minutes ?? 0;
    return { minutes: AROUND + toProof + mend, weight: probability };
  });
  const [first] = suspects;
  const total = times.reduce((sum, { weight }) => sum + weight, 0);
  const parts = partsNeeded(engine, assessment);
  const untouched = state.evidence.items.every((i) => byTelephone(engine.model, i.observation));
  if (!first || total <= 0) return { ...UNKNOWN, likely: '', parts, untouched };
  return {
    p50: Math.round(quantile(times, 0.5 * total)),
    p80: Math.round(quantile(times, 0.8 * total)),
    likely: repairWords(engine.model, first.repair),
    parts,
    untouched,
  };
}

/** The least time by which so much of the weight is over. */
function quantile(times: readonly { readonly minutes: number; readonly weight: number }[], wanted: number): number {
  const sorted = [...times].sort((a, b) => a.minutes - b.minutes);
  let sum = 0;
  for (const { minutes, weight } of sorted) {
    sum += weight;
    if (sum >= wanted - 1e-9) return minutes;
  }
  return sorted.at(-1)!.minutes;
}
