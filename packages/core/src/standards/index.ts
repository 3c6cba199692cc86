/**
 * Standards: how a shop tests. Limits that differ from standard to standard, and every assumption of ours with its reason.
 */
export { ASSUMED, ASSUMPTIONS } from './assumptions';
export { DEAD_MILLIVOLT_SHARE, DEAD_VOLTS, LIVE_DEAD } from './live-dead';
export { judgeTiming, type Timing, timingWindow } from './timing';
export { type TestingStandard, USUAL_STANDARD } from './testing-standard';
