import type { Hypothesis, ItemFit } from '../inference';
import type { Model } from '../profile';
import { likelihood } from '../question';
import { observationWords, predictionWords } from './question-words';
import type { Reader } from './reader';
import { sentence } from './say';

/** What one piece of evidence says about one suspect. */
export interface Reason {
  readonly item: string;
  /** Positive speaks for, negative against; in decades of likelihood against a blind guess. */
  readonly weight: number;
  readonly sentence: string;
}

/** Evidence that moves the odds by less than this (in decades) is not worth a sentence. */
const WORTH_SAYING = 0.08;

/** The readings for and against a hypothesis, strongest first, each with the expected value beside the measured one. */
export function explain(
  model: Model,
  h: Hypothesis,
  healthy: Hypothesis,
  items: readonly ItemFit[],
  reader: Reader,
): Reason[] {
  const reasons: Reason[] = [];
  for (const i of items) {
    const fit = i.fits[h.index];
    const prediction = i.predictions[h.index];
    if (!fit || !prediction) continue;
    const weight = Math.log10(Math.max(likelihood(fit), 1e-12) / i.base);
    if (Math.abs(weight) < WORTH_SAYING) continue;
    const seen = observationWords(model, i.item.observation, reader);
    const expected = predictionWords(model, i.item.observation, prediction, reader);
    const sound = i.predictions[healthy.index];
    const normal = sound ? predictionWords(model, i.item.observation, sound, reader) : expected;
    const says = weight > 0 ? `Expected here: ${expected}` : `This fault would give ${expected}`;
    const beside = normal !== expected ? [`A sound appliance: ${normal}`] : [];
    reasons.push({
      item: i.item.id,
      weight,
      sentence: [seen, says, ...beside].map(sentence).join(' '),
    });
  }
  return reasons.sort((a, b) => Math.abs(b.weight) - Math.abs(a.weight));
}

/** Words with their full stop; a unit may have brought one ("in w.c."). */
