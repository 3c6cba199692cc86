import type { DeadTest } from '../parts';
import { formatQuantity, readingValue, type Reading } from '../units';

export type Verdict = 'good' | 'marginal' | 'bad';

export interface Judgement {
  readonly verdict: Verdict;
  /** The verdict with its limits, as one would say it. */
  readonly words: string;
}

/** Inside ±10 % of the middle is good, inside the given limits (±20 %) marginal, beyond bad (common practice). */
const GOOD_SHARE = 0.5;

/**
 * Judges a dead-test reading (isolated, leads taken off) against a part's limits, ohms.
 * Windings have two-sided limits; a closed contact or fuse only an upper one; an insulator only a lower one.
 */
export function judgeDeadTest(test: DeadTest, reading: Reading): Judgement {
  const ohms = readingValue(reading);
  const shown = Number.isFinite(ohms) ? formatQuantity(ohms, 'resistance') : 'OL';
  const limits =
    test.high === Infinity
      ? `at least ${formatQuantity(test.low, 'resistance')}`
      : test.low === 0
        ? `at most ${formatQuantity(test.high, 'resistance')}`
        : `${formatQuantity(test.low, 'resistance')} to ${formatQuantity(test.high, 'resistance')}`;
  if (ohms < test.low || ohms > test.high) return { verdict: 'bad', words: `${shown} is out of limits (${limits}).` };
  if (test.low > 0 && test.high < Infinity) {
    const middle = (test.low + test.high) / 2;
    const reach = ((test.high - test.low) / 2) * GOOD_SHARE;
    if (Math.abs(ohms - middle) > reach)
      return { verdict: 'marginal', words: `${shown} is usable but near its limit (${limits}): note it.` };
  }
  return { verdict: 'good', words: `${shown} is good (${limits}).` };
}
