import type { DeadTest } from '../parts';
import { type TestingStandard, USUAL_STANDARD } from '../standards';
import { type Reading, readingValue } from '../units';
import type { Judgement, Verdict } from './judgement';

/** Written limits are this share either side of the book value, or a range of the maker's: what is good scales with them. */
const LIMIT_SHARE = 0.2;

/**
 * Judges a dead-test reading (isolated, leads taken off) against a part's limits, ohms.
 * Windings have two-sided limits; a closed contact or fuse only an upper one, the shop's; an insulator only a lower one.
 */
export function judgeDeadTest(test: DeadTest, reading: Reading, standard: TestingStandard = USUAL_STANDARD): Judgement {
  const { low } = test;
  const high = test.closedContact ? standard.contactOhms : test.high;
  const verdict = verdictOn(readingValue(reading), low, high, standard);
  return { verdict, says: { message: 'dead-test', data: { reading, low, high, verdict } } };
}

function verdictOn(ohms: number, low: number, high: number, standard: TestingStandard): Verdict {
  if (ohms < low || ohms > high) return 'bad';
  if (low === 0 || high === Infinity) return 'good';
  const middle = (low + high) / 2;
  const reach = ((high - low) / 2) * Math.min(1, standard.windingShare / LIMIT_SHARE);
  return Math.abs(ohms - middle) > reach ? 'marginal' : 'good';
}
