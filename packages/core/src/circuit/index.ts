/**
 * Circuit: steady-state nodal analysis of small ladder circuits (AC phasors, DC), the meter that loads them, and export
 * to SPICE.
 */
export type { Circuit, Element, Frequency } from './circuit';
export { type Layout, layoutOf } from './layout';
export { measureVolts, type MeterInput } from './meter';
export { type Solution, solve } from './solve';
export { toSpice } from './spice';
