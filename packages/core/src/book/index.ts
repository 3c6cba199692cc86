/** Book: what the calls of a shop add up to. Rates of failing learned from its record, and whether the advice was right. */
export { type Advised, type CaseFacts, caseFacts, type Stage, STAGES } from './case-facts';
export {
  casesOf,
  type Counted,
  type CountedFamily,
  factorsOf,
  isRateBook,
  type FamilyRates,
  learnFamily,
  type OfMachine,
  type RateBook,
  rateBook,
} from './rate-book';
export { CAME_BACK_FOR, type CameBackFor, cameBackFor } from './came-back';
export { ADVICE_FIGURES, type AdviceFigure, SAID_GROUPS } from './figures';
export { AGES, ageOf, FEW_CASES } from './grouping';
export { type CountedTest, learnTests, testsOf, withLearnedTests } from './learned-tests';
export { type LearnedRate, learnRates, sum } from './rates';
export { type CallReview, reviewOf } from './review';
export { partsAfter, type Repeats, sameAgain } from './same-again';
export { type Share, shareOf } from './share';
export { standsOut } from './stands-out';
export { type Change, changeOf, firstUnder, type Suspicion, suspicionsOf } from './suspicion';
export { type CallOfDay, type LoadLine, type LoadPlan, type Measure, planLoad } from './load-plan';
export { fitting, type Held, itemFor, type Kept, SHELF, type Short, shortOf, substitutesOf, unitsIn } from './stock';
export { type Load, loadVan, mendedBy, type Need, priceOf, together } from './van';
export type { TestFact } from './test-facts';
export { type Weighed, weighedEngine } from './weighed-engine';
export { assumedRates, countedWays, namedWay, suspectedWays, wayOf } from './ways';
