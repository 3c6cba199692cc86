/** Practice: somebody in front of a virtual appliance. The simulated technician, and the visits they make. */
export { MISREPORTED, SimulatedTechnician } from './simulated-technician';
export { type Finding, type Policy, SimulatedVisit } from './simulated-visit';
