import { type Repair, repairOf } from '../inference';
import { ASSUMED } from '../standards';
import type { Assessment, Suspect } from './engine';

/** One thing to mend, when no test tells the suspects apart. */
interface RepairStep {
  readonly repair: Repair;
  readonly probability: number;
  /** What it takes, a try for heat after it included. */
  readonly minutes: number;
}

/** Less likely suspects are not worth a repair on their account. */
const WORTH = 0.02;

const MINUTES = {
  reset: ASSUMED.minutesToReset,
  reconnect: ASSUMED.minutesToReconnect,
  correct: ASSUMED.minutesToCorrect,
  clean: ASSUMED.minutesToClean,
  repair: ASSUMED.minutesToRepair,
  replace: ASSUMED.minutesToReplace,
} as const;

/**
 * In which order to mend what nothing tells apart, trying again after each: by chance per minute. When one of them is broken,
 * no other order costs fewer minutes on average (Heckerman, Breese, Rommelse: Decision-theoretic troubleshooting, 1995; from
 * memory).
 */
export function repairOrder({ suspects }: Pick<Assessment, 'suspects'>): RepairStep[] {
  return suspects
    .filter(({ probability }) => probability >= WORTH)
    .flatMap((s: Suspect) => {
      const { action } = repairOf(s.repair);
      if (action === undefined) return [];
      const minutes = MINUTES[action] + ASSUMED.minutesToTryAgain;
      return [{ repair: s.repair, probability: s.probability, minutes }];
    })
    .sort((a, b) => b.probability / b.minutes - a.probability / a.minutes);
}
