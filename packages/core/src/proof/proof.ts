import { type Hypothesis, type HypothesisIndex, type ItemFit, predicts, waysOfFailing } from '../inference';
import type { Model, PartIndex } from '../profile';
import { CONTRADICTS, type Fit, kindOf, likelihood, type Question } from '../question';
import type { Requirement } from './checklist';
import { condemn } from './condemn';

/** What has been shown by test, as opposed to what is merely likely. */
export interface Proof {
  /** The component that breaks the sequence. */
  readonly part: PartIndex;
  readonly standing: 'proved' | 'suspected';
  /** Why it broke: the part itself failed, or the named condition made it open; undefined while several remain. */
  readonly cause: { readonly hypothesis: HypothesisIndex; readonly standing: 'proved' | 'suspected' } | undefined;
  /** Items that touched the part itself and count towards the proof. */
  readonly by: readonly string[];
  /** Hypotheses naming another component that nothing measured has excluded yet. */
  readonly rivals: readonly HypothesisIndex[];
  /** What the proof asks for, and by which entries it is met. */
  readonly requirements: readonly Requirement[];
}

/** Condemned for good; the rest is rounding. */
const CONDEMNED = 0.999;
/** Weight needed to exclude a rival: one instrument reading, or two looks made at different times. */
const ENOUGH = 2;
/** A look that deceives no more often than this may decide between causes of one break. */
const CAREFUL = 0.051;
/** Different cues that together weigh as much as a reading. */
const CUES_ENOUGH = 3;

/**
 * Structural proof. A part is proved to be the break when tests of the part itself condemn it, and every hypothesis that
 * names another component is contradicted by a reading (or by two separate looks). Probabilities take no part in it, and
 * the rest of the model being excluded is not enough: the true fault may be one that the model does not know.
 */
export function prove(
  model: Model,
  hypotheses: readonly Hypothesis[],
  items: readonly ItemFit[],
  leading: Hypothesis,
): Proof | undefined {
  const { breaks } = leading;
  if (breaks === undefined || leading.kind !== 'fault') return undefined;
  const direct = items.filter((i) => isRelevantTo(model, leading, i.item.observation));
  const named = hypotheses.filter(predicts);
  const speaking = explainedBy(leading, items);
  const standing = named.filter((h) => h === leading || againstRival(h, leading, speaking) < ENOUGH);
  const rivals = standing.filter((h) => h.breaks !== breaks && h.repair !== leading.repair);
  const condemned = condemn(model, leading, items);
  const explains = fits(leading, items);
  const proved = explains && condemned.share > CONDEMNED && rivals.length === 0;
  const repairs = new Set(standing.filter((h) => h.breaks === breaks).map((h) => h.repair));
  return {
    part: breaks,
    standing: proved ? 'proved' : 'suspected',
    cause: { hypothesis: leading.index, standing: proved && repairs.size === 1 ? 'proved' : 'suspected' },
    by: direct.map((i) => i.item.id),
    rivals: rivals.map((h) => h.index),
    requirements: [
      ...condemned.requirements,
      { requirement: 'explains-all', met: explains, by: [] },
      ...(rivals.length === 0
        ? [{ requirement: 'rivals-excluded', met: true, by: [] } as const]
        : waysOfFailing(rivals).map(
            ({ hypothesis }) => ({ requirement: 'rival-excluded', of: hypothesis.words, met: false, by: [] }) as const,
          )),
    ],
  };
}

/** Items that fit a suspect: what it does not explain itself cannot speak against its rivals. */
const explainedBy = (leading: Hypothesis, items: readonly ItemFit[]): ItemFit[] =>
  items.filter((i) => weightOf(leading, i, false) === 0);

/** One thing may have been seen wrongly; a suspect that leaves two unexplained is not proved. */
const MOST_UNEXPLAINED = 1;

function fits(suspect: Hypothesis, items: readonly ItemFit[]): boolean {
  const unexplained = new Set(items.filter((i) => weightOf(suspect, i, false) > 0).map((i) => i.group));
  return contradiction(suspect, items) < ENOUGH && unexplained.size <= MOST_UNEXPLAINED;
}

/** What a proof still lacks: by hypothesis index the weight missing to exclude it, and whether the part was touched. */
export interface ProofDebt {
  readonly leading: Hypothesis;
  /** Items that the suspect explains: only these count against rivals. */
  readonly speaking: readonly ItemFit[];
  readonly open: readonly { readonly hypothesis: Hypothesis; readonly missing: number }[];
  /** How far the part itself is condemned, 0 to 1. */
  readonly condemned: number;
}

/** The debt of the leading hypothesis; nothing when it cannot be proved at all. */
export function proofDebt(
  model: Model,
  hypotheses: readonly Hypothesis[],
  items: readonly ItemFit[],
  leading: Hypothesis,
): ProofDebt | undefined {
  if (leading.breaks === undefined || leading.kind !== 'fault' || !fits(leading, items)) return undefined;
  const speaking = explainedBy(leading, items);
  const open = hypotheses
    .filter((h) => predicts(h) && h.repair !== leading.repair)
    .map((hypothesis) => ({
      hypothesis,
      missing: ENOUGH - againstRival(hypothesis, leading, speaking),
    }))
    .filter((o) => o.missing > 0);
  return { leading, speaking, open, condemned: condemn(model, leading, items).share };
}

/** What a coincidence weighs: the fault of a rival that comes and goes went or came just when something was done. */
const COINCIDENCE = 1;

/**
 * `contradiction` of a rival of a suspect that explains everything without coincidences; and what the readings that it does
 * not contradict one by one say together.
 */
function againstRival(h: Hypothesis, leading: Hypothesis, items: readonly ItemFit[]): number {
  const sameBreak = h.breaks === leading.breaks;
  const weight = contradiction(h, items, sameBreak);
  if (h.occurs === 1) return weight >= ENOUGH ? weight : weight + together(h, leading, items);
  const episodes = [...new Set(items.map((i) => i.item.episode))].map((episode) => {
    const own = items.filter((i) => i.item.episode === episode);
    return weightAgainst(own, (i) => i.fits[h.index], sameBreak) - weightAgainst(own, (i) => i.sound, sameBreak);
  });
  return episodes.some((w) => w < 0) && episodes.some((w) => w > 0) ? weight + COINCIDENCE : weight;
}

/** So many times less likely than under the suspect, all readings together exclude a rival. */
const UNLIKELY = 200;

/**
 * What the readings together weigh against a rival; the same question asked again is the same reading. A plan does not count on
 * it: what one more reading adds depends on what the others were.
 */
function together(h: Hypothesis, leading: Hypothesis, items: readonly ItemFit[]): number {
  const groups = new Map<string, number[]>();
  for (const { group, item, fits } of items) {
    const [own, its] = [fits[leading.index], fits[h.index]];
    if (!own || !its || kindOf(item.observation).weighs !== 'reading') continue;
    groups.set(group, [...(groups.get(group) ?? []), Math.log(likelihood(own) / likelihood(its))]);
  }
  let times = 0;
  for (const group of groups.values()) times += group.reduce((sum, t) => sum + t, 0) / group.length;
  return Math.max(0, (ENOUGH * times) / Math.log(UNLIKELY));
}

/**
 * How strongly what was observed contradicts a hypothesis: readings weigh 2, a look 1 per time; cues and codes of the
 * tries, seen by one pair of eyes, weigh 1 together, and 2 from three different ones on. What comes and goes is there
 * or away for a whole episode. Among causes of one break (`sameBreak`) a look weighs 2 when it finds something wrong (a
 * nest that is seen is a nest), or is one that hardly deceives.
 */
export function contradiction(h: Hypothesis, items: readonly ItemFit[], sameBreak = false): number {
  if (h.occurs === 1) return weightAgainst(items, (i) => i.fits[h.index], sameBreak);
  let weight = 0;
  for (const episode of new Set(items.map((i) => i.item.episode))) {
    const own = items.filter((i) => i.item.episode === episode);
    weight += Math.min(
      weightAgainst(own, (i) => i.fits[h.index], sameBreak),
      weightAgainst(own, (i) => i.sound, sameBreak),
    );
  }
  return weight;
}

function weightAgainst(items: readonly ItemFit[], fitOf: (i: ItemFit) => Fit | undefined, sameBreak: boolean): number {
  let weight = 0;
  const soft = new Set<string>();
  const looks = new Map<string, number>();
  for (const i of items) {
    const own = against(i, fitOf(i), sameBreak);
    if (own === 0) continue;
    if (isCue(i)) soft.add(saidSo(i));
    else if (kindOf(i.item.observation).weighs !== 'look') weight += own;
    else {
      // The same look again is the same look; what makes it weigh more does so every time.
      const time = `${i.group}@${i.item.episode}`;
      looks.set(time, (looks.get(time) ?? 1) + own - 1);
    }
  }
  for (const look of looks.values()) weight += look;
  return weight + cuesWeigh(soft.size);
}

/** What a number of different cues weighs. */
const cuesWeigh = (cues: number): number => (cues >= CUES_ENOUGH ? ENOUGH : Math.min(1, cues));

/** Whether an item was seen or heard in a try rather than measured or looked at by itself. */
const isCue = ({ item }: ItemFit): boolean => kindOf(item.observation).weighs === 'cue';

/**
 * What one more item, of some weight by itself (`weightOf`), would add to `contradiction` for a hypothesis, after some; for
 * many items after the same ones.
 */
export function addedWeight(
  h: Hypothesis,
  before: readonly ItemFit[],
  sameBreak: boolean,
): (one: ItemFit, weight: number) => number {
  const whole = h.occurs < 1 ? contradiction(h, before, sameBreak) : 0;
  const cues = new Set(before.filter((i) => isCue(i) && weightOf(h, i, sameBreak) > 0).map(saidSo));
  return (one, weight) => {
    // One more cue may say no more than those before it; a finding weighs the same whatever was found before.
    if (weight === 0 || !isCue(one)) return weight;
    if (h.occurs < 1) return contradiction(h, [...before, one], sameBreak) - whole;
    return cues.has(saidSo(one)) ? 0 : cuesWeigh(cues.size + 1) - cuesWeigh(cues.size);
  };
}

/** The same answer to the same cue, with something else unplugged or done, is no other cue. */
function saidSo({ item: { observation }, group }: ItemFit): string {
  return kindOf(observation).saidSo?.(observation) ?? group;
}

/** What one item weighs against a hypothesis it fits badly. */
function against(i: ItemFit, fit: Fit | undefined, sameBreak: boolean): number {
  if (!fit || fit.fit >= CONTRADICTS * i.base) return 0;
  switch (kindOf(i.item.observation).weighs) {
    case 'reading':
      return 2;
    case 'look':
      return sameBreak && (fit.blunder <= CAREFUL || (i.sound && i.sound.fit < CONTRADICTS * i.base)) ? 2 : 1;
    case 'cue':
      return 1;
  }
}

/** `contradiction` by one item alone. */
export const weightOf = (h: Hypothesis, item: ItemFit, sameBreak: boolean): number => {
  const weight = against(item, item.fits[h.index], sameBreak);
  return h.occurs === 1 ? weight : Math.min(weight, against(item, item.sound, sameBreak));
};

/** Whether a test is one that can condemn the break or its cause: made on the part itself or on what it senses. */
export function isRelevantTo(model: Model, h: Hypothesis, question: Question): boolean {
  const own = [h.breaks, h.cause, ...h.faults.map((f) => f.part)];
  const kind = kindOf(question);
  return [...new Set(own)].some((p) => p !== undefined && kind.isRelevantTo(model, model.parts[p]!, question));
}
