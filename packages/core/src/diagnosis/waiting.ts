import { type Hypothesis, predicts, type Traces } from '../inference';
import { CLOCKS, equal, type Evidence, type EvidenceItem, kindOf, questionKey, toTheEnd } from '../question';
import type { Trace } from '../simulation';
import type { Millis } from '../units';

/** Something that was answered before the run was over, and may be answered otherwise later. */
export interface Waiting {
  readonly item: EvidenceItem;
  /** How long after the call for heat it has surely come, if it comes: by the slowest clock that is still sound. */
  readonly until: Millis;
}

/** What is believed, as far as it matters here. */
interface Believed {
  readonly hypotheses: readonly Hypothesis[];
  readonly probabilities: Float64Array;
}

/** Explanations below this share do not count as explanations. */
export const COUNTS = 0.02;
/** So many moments of a run are looked at: later ones say what these say. */
const MOST_MOMENTS = 80;
/** The slowest clock of a sound appliance. */
const SLOWEST = Math.max(...CLOCKS);

/** What was answered early in the present episode, by the key of its question; the newest answer of each. */
export function answeredEarly({ model }: Traces, { episodes, items }: Evidence): Map<string, EvidenceItem> {
  const newest = new Map<string, EvidenceItem>();
  for (const item of items)
    if (item.episode === episodes.length - 1 && kindOf(item.observation).weighs === 'cue')
      newest.set(questionKey(model, toTheEnd(item.observation)), item);
  return new Map([...newest].filter(([, item]) => item.observation.after !== undefined));
}

/** What of that is worth another look later, by the key of its question. */
export function waitingFor(traces: Traces, evidence: Evidence, believed: Believed): Map<string, Waiting> {
  const found = new Map<string, Waiting>();
  for (const [key, item] of answeredEarly(traces, evidence)) {
    const { after = 0, ...question } = item.observation;
    let until = 0;
    for (const h of believed.hypotheses) {
      if (!predicts(h) || believed.probabilities[h.index]! < COUNTS) continue;
      const end = traces.predict(h.faults, evidence.episodes, question);
      const asAtTheEnd = (at: Millis): boolean =>
        equal(traces.predict(h.faults, evidence.episodes, { ...question, after: at }), end);
      const { trace } = traces.last(h.faults, evidence.episodes);
      if (!asAtTheEnd(after)) until = Math.max(until, turning(trace, after, asAtTheEnd));
    }
    if (until > 0) found.set(key, { item, until: Math.round(until * SLOWEST) });
  }
  return found;
}

/** The first moment at which it is answered as at the end. */
function turning({ segments, cues, end }: Trace, after: Millis, asAtTheEnd: (at: Millis) => boolean): Millis {
  const moments = new Set([...segments.map((s) => s.from), ...cues.flat().flatMap((c) => [c.from, c.to])]);
  return (
    [...moments]
      .filter((t) => t > after && t < end)
      .sort((a, b) => a - b)
      .slice(0, MOST_MOMENTS)
      .find(asAtTheEnd) ?? end
  );
}
