/**
 * Test choice: what a technician can do next, what it costs, who may do it, and which test tells most per minute.
 */
export { type RankedTest, rankTests } from './next-test';
export { OutcomeClasses } from './outcome-classes';
export { MOST_TO_PLAN, planMinutes, type PlannedTest } from './plan';
export { cautionsAt, cautionsFor, goesRoundSafety, mayPropose } from './safety';
export { episodesFor, mayBypass, minutesFor, setupFor, stillPrepared, type Test, testsOf } from './tests';
export { wantedOf, workOfQuestion } from './wanted';
