/**
 * Standards: how a shop tests. Limits that differ from standard to standard, and every assumption of ours with its reason.
 */
export { type TestingStandard, USUAL_STANDARD } from './testing-standard';
