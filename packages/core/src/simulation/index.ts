/**
 * Simulation: runs an appliance through a try for heat. Event-driven and deterministic; the result is a Trace of circuit
 * states, observable phases, quantities and codes, with endless repetition recognised.
 */
export { checkProfile } from './check-profile';
export { type CircuitState, CircuitStates } from './circuit-state';
export { voltsBetween } from './drive-state';
export { chainKey, type Episode, episodeKey, FIRST_EPISODE } from './episode';
export { type Lived, Lives } from './lives';
export { LivingAppliance, momentIn, type Now } from './living-appliance';
export { atMoment } from './moment';
export { pick, pickBy, Random } from './random';
export { findFault, run } from './run';
export {
  failureModeOf,
  type FaultRef,
  firstSeverity,
  leadsOf,
  NORMAL_SETUP,
  openWhenApart,
  type Setup,
  setupKey,
  specUnder,
} from './setup';
export { RestlessError } from './simulator';
export { type Interval, type Outcome, OUTCOMES, quantityAt, type Segment, type Trace } from './trace';
export { Trajectories } from './trajectories';
export { runsAs, varied, VirtualAppliance } from './virtual-appliance';
export { type Wait, waitsOf } from './waits';
