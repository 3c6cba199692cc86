/** Diagnosis: the engine, face of the rooms that weigh, choose and prove. */
export { type Assessment, Engine, ENGINE_VERSION, type Suspect } from './engine';
export { repairOrder } from './repair-order';
export type { Waiting } from './waiting';
export { standingOf } from './standing';
