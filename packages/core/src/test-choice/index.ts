/**
 * Test choice: what a technician can do next, what it costs, who may do it, and which test tells most per minute.
 */
export { type RankedTest, rankTests } from './next-test';
export { OutcomeClasses } from './outcome-classes';
export { MOST_TO_PLAN, planMinutes, type PlannedTest } from './plan';
export { cautionsFor, type Danger, DANGER_WORDS, goesRoundSafety, mayPropose, type Role } from './safety';
export { episodesFor, isolated, isToCommon, mayBypass, minutesFor, setupFor, type Test, testsOf } from './tests';
