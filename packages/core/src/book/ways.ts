import { type Assessment, type Engine, standingOf } from '../diagnosis';
import type { Hypothesis } from '../inference';
import { findPart, type Model } from '../profile';
import type { BreakRecord } from '../visit';

/** The way of failing of a hypothesis as it is counted: what comes and goes counts with what stays. */
export const wayOf = ({ family }: Pick<Hypothesis, 'family'>): string => family.replace(/~$/, '');

/** What is assumed of each way of failing of an appliance: its relative rate. */
export const assumedRates = (model: Model): ReadonlyMap<string, number> => {
  const rates = new Map<string, number>();
  for (const part of model.parts)
    for (const mode of part.modes) {
      const way = `${part.id}.${mode.id}`;
      rates.set(way, (rates.get(way) ?? 0) + mode.relativeRate);
    }
  return rates;
};

/** The way of failing that the words of a record name; nothing where they are somebody's own. */
export function namedWay(
  { parts }: Model,
  record: Pick<BreakRecord, 'part' | 'failure' | 'cause'>,
): string | undefined {
  for (const part of parts)
    for (const mode of part.modes) {
      const words = `${part.title} ${mode.words}`.toLowerCase();
      // What is built into another part is recorded as that one.
      const own =
        [part.id, parts[part.assembly]!.id].includes(record.part) &&
        (record.failure === mode.words || endsWith(record.failure, words));
      if (own || endsWith(record.cause, words)) return `${part.id}.${mode.id}`;
    }
  return undefined;
}

const endsWith = (said: string, words: string): boolean => said.trim().toLowerCase().endsWith(words);

/**
 * The ways of failing that a call counts for, with how much of it: one that was proved counts for the one that its record names, or for
 * those of the recorded part by how well they fit; one that was only suspected for what fits, and for nothing where no way fits more
 * than all others together. `assessment` is what was known before anything was mended, under the rates that
 * ship: nothing that was learned goes into it, or it would prove itself.
 */
export function countedWays(
  { model }: Engine,
  record: BreakRecord,
  assessment: Assessment,
): ReadonlyMap<string, number> {
  if (record.part === 'none') return new Map();
  const proved = record.standing === 'proved' || standingOf(assessment) === 'proved';
  const named = namedWay(model, record);
  if (proved && named !== undefined) return new Map([[named, 1]]);
  if (!proved) return suspectedWays(assessment);
  const broken = findPart(model, record.part)?.index;
  const weights = weightsOf(assessment, (h) => h.breaks === broken || h.faults[0]?.part === broken);
  const total = [...weights.values()].reduce((a, b) => a + b, 0);
  // What is proved is one case.
  return new Map([...weights].flatMap(([way, w]) => (w > LEAST * total ? [[way, w / total]] : [])));
}

/** What a call counts for on which nothing was proved: as much of a case as the model can explain, and nothing where it cannot tell. */
export function suspectedWays(assessment: Assessment): ReadonlyMap<string, number> {
  const weights = weightsOf(assessment, () => true);
  if (Math.max(0, ...weights.values()) < MOSTLY) return new Map();
  return new Map([...weights].filter(([, w]) => w > LEAST));
}

function weightsOf(
  { hypotheses, probabilities }: Assessment,
  meant: (h: Hypothesis) => boolean,
): ReadonlyMap<string, number> {
  const weights = new Map<string, number>();
  for (const h of hypotheses)
    if ((h.kind === 'fault' || h.kind === 'other') && meant(h))
      weights.set(wayOf(h), (weights.get(wayOf(h)) ?? 0) + probabilities[h.index]!);
  return weights;
}

/** Less of a case than this is not written down. */
const LEAST = 0.005;
const MOSTLY = 0.5;
