import type { Model, PartIndex } from '../profile';
import { asIndex, type Index } from '../profile';
import type { Severity } from '../parts';
import type { FaultRef } from '../simulation';
import { ASSUMED } from '../standards';
import { type Repair, repairKey } from './repair';
import { uncapital } from '../units';

export type HypothesisIndex = Index<'hypotheses'>;

/** One explanation of what is wrong. Single faults have one fault, pairs two; healthy and unknown have none. */
export interface Hypothesis {
  readonly index: HypothesisIndex;
  /**
   * `part.mode`, with `@2` for the severity at place 2 and `~` when it comes and goes; `a + b` for a pair; or `healthy`,
   * `unknown`.
   */
  readonly id: string;
  /**
   * The way of failing: all severities of one have the same, and count as one suspicion. The id of a hypothesis that has
   * no others of its kind.
   */
  readonly family: string;
  /** How far gone the part is, where that differs. */
  readonly severity?: Severity;
  readonly kind: 'healthy' | 'fault' | 'other' | 'unknown';
  readonly faults: readonly FaultRef[];
  /** Chance that the fault shows in an episode; below 1 it comes and goes. */
  readonly occurs: number;
  readonly prior: number;
  /** What would be repaired (first); hypotheses with the same repair need not be told apart. `none` means no repair. */
  readonly repair: Repair;
  /** The component that breaks the sequence: the faulty part, or the safety that a cause outside makes open. */
  readonly breaks: PartIndex | undefined;
  /** The part whose condition is the cause, when that is another part than the one that breaks the sequence. */
  readonly cause: PartIndex | undefined;
  /** A full sentence without full stop: "The gas valve has a shorted coil". */
  readonly words: string;
}

/** Whether a hypothesis makes predictions of its own: it can be simulated. */
export const predicts = (h: Hypothesis): boolean => h.kind === 'healthy' || h.kind === 'fault';

export interface RateFactors {
  /** Multiplies the relative rate of a fault mode, by `part.mode`: counts from a shop's own book. */
  readonly [fault: string]: number;
}

/** All single-fault hypotheses of a model with their prior probabilities. */
export function hypothesesOf(model: Model, factors: RateFactors = {}): Hypothesis[] {
  const raw: (Omit<Hypothesis, 'index' | 'prior'> & { rate: number })[] = [
    {
      ...NAMELESS,
      id: 'healthy',
      family: 'healthy',
      kind: 'healthy',
      rate: ASSUMED.healthyRate,
      repair: 'none',
      words: 'Nothing is broken',
    },
  ];
  for (const part of model.parts)
    part.modes.forEach((mode, index) => {
      const family = `${part.id}.${mode.id}`;
      const id = mode.severity ? `${family}@${mode.severity.place}` : family;
      const tripped = mode.trips === undefined ? undefined : model.parts.find((p) => p.id === mode.trips)!.index;
      const rate = mode.relativeRate * (factors[family] ?? 1);
      const whole = mode.repair === 'replace' ? model.parts[part.assembly]! : part;
      const comesAndGoes = mode.intermittent ?? 0;
      const always = {
        id,
        family,
        ...(mode.severity && { severity: mode.severity }),
        kind: mode.other === true ? ('other' as const) : ('fault' as const),
        faults: [{ part: part.index, mode: index }],
        occurs: 1,
        rate: rate * (1 - comesAndGoes),
        repair: mode.repair === 'none' ? 'none' : repairKey(whole.id, part.kind.nature === 'connector', mode.repair),
        breaks: mode.repair === 'none' ? undefined : (tripped ?? whole.index),
        cause: tripped === undefined ? undefined : part.index,
        words: `The ${part.title} ${mode.words}`,
      };
      if (comesAndGoes < 1) raw.push(always);
      if (comesAndGoes > 0)
        raw.push({
          ...always,
          id: `${id}~`,
          family: `${family}~`,
          occurs: ASSUMED.comesAndGoesShows,
          rate: rate * comesAndGoes,
          words: `${always.words}, off and on`,
        });
    });
  raw.push({
    ...NAMELESS,
    id: 'unknown',
    family: 'unknown',
    kind: 'unknown',
    rate: ASSUMED.unknownRate,
    repair: 'unknown',
    words: 'Something this model does not know',
  });
  const total = raw.reduce((sum, h) => sum + h.rate, 0);
  return raw
    .filter((h) => h.rate > 0)
    .map(({ rate, ...h }, index) => ({ ...h, index: asIndex(index), prior: rate / total }));
}

const NAMELESS = { faults: [], occurs: 1, breaks: undefined, cause: undefined } as const;

/**
 * Two faults at once. What is repaired first is the first member that is not repaired yet; the record names that one, and
 * the other shows when the first is mended.
 */
export function pairOf(
  first: Hypothesis,
  second: Hypothesis,
  index: HypothesisIndex,
  repaired: readonly PartIndex[],
  /** Of both ways of failing, all severities together. */
  prior = first.prior * second.prior,
): Hypothesis {
  const [lead, rest] = repaired.includes(first.faults[0]!.part) ? [second, first] : [first, second];
  const id = `${lead.id} + ${rest.id}`;
  return {
    index,
    id,
    family: id,
    kind: 'fault',
    faults: [...lead.faults, ...rest.faults],
    occurs: 1,
    prior: ASSUMED.pairShare * prior,
    repair: lead.repair,
    breaks: lead.breaks,
    cause: lead.cause,
    words: repaired.includes(rest.faults[0]!.part)
      ? `${lead.words}, besides what was repaired`
      : `${lead.words}; and ${uncapital(rest.words)}`,
  };
}

/** A way of failing, by the likeliest of its severities, with the weight of all of them. */
export interface WayOfFailing {
  readonly hypothesis: Hypothesis;
  readonly weight: number;
}

/** The ways of failing among some hypotheses, the weightiest first: what has severities counts once. */
export function waysOfFailing(
  hypotheses: Iterable<Hypothesis>,
  weightOf: (h: Hypothesis) => number = (h) => h.prior,
): WayOfFailing[] {
  const families = new Map<string, { hypothesis: Hypothesis; most: number; weight: number }>();
  for (const hypothesis of hypotheses) {
    const weight = weightOf(hypothesis);
    const known = families.get(hypothesis.family);
    if (!known) families.set(hypothesis.family, { hypothesis, most: weight, weight });
    else {
      if (weight > known.most) Object.assign(known, { hypothesis, most: weight });
      known.weight += weight;
    }
  }
  return [...families.values()].sort((a, b) => b.weight - a.weight);
}
