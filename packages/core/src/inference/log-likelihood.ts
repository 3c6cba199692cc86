import { type Fit, likelihood } from '../question';
import { ASSUMED } from '../standards';

export const logOf = (value: number): number => Math.log(Math.max(value, 1e-300));

/** log(share·e^a + (1−share)·e^b). */
export const logMix = (share: number, a: number, b: number): number =>
  logSum([Math.log(share) + a, Math.log(1 - share) + b]);

/** log of the sum of e^x. */
export function logSum(logs: readonly number[]): number {
  const top = Math.max(...logs);
  return top + Math.log(logs.reduce((sum, x) => sum + Math.exp(x - top), 0));
}

/** How many readings of the same question count at all. */
const REPEATS_COUNTED = 4;

/** What each of so many like readings counts: together they are little more than one. */
export const worthOfEach = (n: number): number => (1 + ASSUMED.repeatWorth * (Math.min(n, REPEATS_COUNTED) - 1)) / n;

/** Likelihood of readings of one question together. */
export function groupLikelihood(fits: readonly (Fit | undefined)[]): number {
  let product = 1;
  for (const fit of fits) {
    if (!fit) return 0;
    product *= likelihood(fit);
  }
  return fits.length === 1 ? product : product ** worthOfEach(fits.length);
}
