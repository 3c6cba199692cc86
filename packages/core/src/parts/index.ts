/**
 * Parts: the kinds of components an appliance is made of. A kind knows its ports, what it is electrically in each state,
 * how it moves, how it breaks, what mends it and what an ohmmeter shows when it is sound.
 */
export { circuitElement } from './circuit-element';
export { fed, HOLDS, NOTHING, PULLS } from './fed';
export { fuseOpeningTime } from './fuse';
export {
  CLOSED,
  type ControlPort,
  type DeadTest,
  type DeadTestKind,
  deadTestsIn,
  type Electrical,
  type FaultMode,
  type Leads,
  OPEN,
  type PartKind,
  type Symbol as PartSymbol,
  type PartView,
  type Severity,
  type Spec,
  type SpecValue,
} from './part-kind';
export { PART_KINDS } from './part-kinds';
export { even, factors, inBand } from './severity';
