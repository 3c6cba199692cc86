import type { Assessment, Engine } from '../diagnosis';
import { repairOf } from '../inference';
import { findPart, type Model } from '../profile';
import { kindOf, type Question } from '../question';
import type { RankedTest } from '../test-choice';

/** A part worth loading into the van, and how likely it is to be needed. */
export interface Carried {
  readonly part: string;
  readonly title: string;
  readonly share: number;
  /** The likeliest of what it would mend. */
  readonly words: string;
}

/** Parts below this share stay in the shop. */
const LEAST = 0.015;
const MOST = 8;

/** What to load: new parts for the likeliest replacements. */
export const partsToCarry = (engine: Engine, assessment: Assessment): Carried[] =>
  partsNeeded(engine, assessment)
    .filter(({ share }) => share >= LEAST)
    .slice(0, MOST);

/** Every new part that may be needed, the likeliest first; whole assemblies where a part is built into one. */
export function partsNeeded(engine: Engine, assessment: Assessment): Carried[] {
  const shares = new Map<string, { share: number; most: number; words: string }>();
  for (const h of assessment.hypotheses) {
    const { part, action } = repairOf(h.repair);
    if (part === undefined || action !== 'replace' || h.kind !== 'fault') continue;
    const p = assessment.probabilities[h.index]!;
    const { share, most, words } = shares.get(part) ?? { share: 0, most: -1, words: '' };
    shares.set(part, p > most ? { share: share + p, most: p, words: h.words } : { share: share + p, most, words });
  }
  return [...shares]
    .sort((a, b) => b[1].share - a[1].share)
    .map(([part, { share, words }]) => ({ part, title: findPart(engine.model, part)!.title, share, words }));
}

/** Whether a customer can tell: the complaint, what happened before, and what is seen without opening anything. */
export const byTelephone = (model: Model, q: Question): boolean => kindOf(q).byTelephone?.(model, q) === true;

/** Of the tests worth making, those that a customer can answer on the telephone, in the order given. */
export function telephoneQuestions(model: Model, ranked: readonly RankedTest[]): RankedTest[] {
  return ranked.filter(({ test }) => !test.intervention && byTelephone(model, test.question));
}
