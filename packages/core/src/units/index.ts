/**
 * Units: numbers with a dimension. Everything inside Zetalysis is SI; this room reads what people type
 * (`15.4`, `OL`, `3,2 µA`, `0.6 inwc`) and writes what people read.
 */
export type { Dimension } from './dimension';
export { findUnit, zeroOf } from './dimension';
export { readingValue, type Reading } from './reading';
export { parseQuantity, parseReading, type Parsed } from './parse';
export { capital, formatMillivolts, formatNumber, formatQuantity, formatReading, type UnitSystem } from './format';
