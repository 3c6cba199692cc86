/**
 * Circuit: steady-state nodal analysis of small ladder circuits (AC phasors, DC), the meter that loads them, and export
 * to SPICE.
 */
export type { Circuit, Element, Frequency } from './circuit';
export { layoutOf, type Layout } from './layout';
export { solve, type Complex, type Solution } from './solve';
export { measureVolts, type Measured, type MeterInput } from './meter';
export { MAINS_HERTZ, toSpice } from './spice';
