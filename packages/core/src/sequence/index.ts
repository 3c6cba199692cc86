/**
 * Sequence: runs an appliance through a try for heat. Event-driven and deterministic; the result is a Trace of circuit
 * states, observable phases, quantities and codes, with endless repetition recognised.
 */
export { checkProfile, type CheckedVariant } from './check-profile';
export { CircuitStates, type CircuitState } from './circuit-state';
export { Courses } from './courses';
export { voltsBetween } from './felt';
export { failureOf, faultKey, NORMAL_SETUP, setupKey, type FaultRef, type Setup } from './setup';
export { findFault, run } from './run';
export { waitsOf, type Wait } from './waits';
export { RestlessError } from './simulator';
export {
  OUTCOMES,
  quantityAt,
  type Interval,
  type Memory,
  type Millis,
  type Outcome,
  type Segment,
  type Trace,
} from './trace';
