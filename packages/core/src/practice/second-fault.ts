import type { Hypothesis } from '../inference';
import type { Model } from '../profile';
import { FIRST_EPISODE, pickBy, type Random, VirtualAppliance } from '../simulation';
import { failedParts } from './decision';

/** So many are tried before it is left at one. */
const TRIES = 30;

/**
 * What hides behind another fault: it is of another part, and the machine does not run before both are mended. Nothing where no such
 * one was found among those that are given.
 */
export function secondFor(
  model: Model,
  first: Hypothesis,
  among: readonly Hypothesis[],
  random: Random,
): Hypothesis | undefined {
  const taken = failedParts(first, model.parts);
  const others = among.filter((h) => [...failedParts(h, model.parts)].every((part) => !taken.has(part)));
  for (let tried = 0; others.length > 0 && tried < TRIES; tried++) {
    const second = pickBy(others, (h) => h.prior, random);
    const both = new VirtualAppliance(model, [...first.faults, ...second.faults]);
    const mended = ({ faults }: Hypothesis) => ({ ...FIRST_EPISODE, repaired: faults.map(({ part }) => part) });
    if ([first, second].every((one) => !both.runs([FIRST_EPISODE, mended(one)]))) return second;
  }
  return undefined;
}
