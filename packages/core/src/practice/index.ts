/** Practice: somebody in front of a virtual appliance. The simulated technician, their visits, and the worlds they are made in. */
export { drawnFrom } from './drawn-appliance';
export { MISREPORTED, SimulatedTechnician } from './simulated-technician';
export { type Finding, type Policy, SimulatedVisit } from './simulated-visit';
export { type Band, drawFrom, habitsIn, readWorld, wider, type World } from './world';
