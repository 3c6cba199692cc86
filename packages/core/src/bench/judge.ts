import type { DeadTest } from '../parts';
import { type TestingStandard, USUAL_STANDARD } from '../standards';
import { formatQuantity, type Reading, readingValue } from '../units';

type Verdict = 'good' | 'marginal' | 'bad';

export interface Judgement {
  readonly verdict: Verdict;
  /** The verdict with its limits, as one would say it. */
  readonly words: string;
}

/** Written limits are this share either side of the book value, or a range of the maker's: what is good scales with them. */
const LIMIT_SHARE = 0.2;

/** A contact is judged by the standard's limit; everything else by what is written. */
const limitsOf = (test: DeadTest, standard: TestingStandard): DeadTest =>
  test.low === 0 && test.high === 1 ? { ...test, high: standard.contactOhms } : test;

/**
 * Judges a dead-test reading (isolated, leads taken off) against a part's limits, ohms.
 * Windings have two-sided limits; a closed contact or fuse only an upper one; an insulator only a lower one.
 */
export function judgeDeadTest(
  written: DeadTest,
  reading: Reading,
  standard: TestingStandard = USUAL_STANDARD,
): Judgement {
  const test = limitsOf(written, standard);
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
    const reach = ((test.high - test.low) / 2) * Math.min(1, standard.windingShare / LIMIT_SHARE);
    if (Math.abs(ohms - middle) > reach)
      return { verdict: 'marginal', words: `${shown} is usable but near its limit (${limits}): note it.` };
  }
  return { verdict: 'good', words: `${shown} is good (${limits}).` };
}
