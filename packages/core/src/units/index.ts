/**
 * Units: numbers with a dimension. Everything inside Zetalysis is SI; this room reads what people type
 * (`15.4`, `OL`, `3,2 µA`, `0.6 inwc`) and writes what people read.
 */
export { type Dimension, findUnit, zeroOf } from './dimension';
export {
  capital,
  uncapital,
  formatMillivolts,
  formatNumber,
  formatQuantity,
  formatReading,
  showMillivolts,
  type Shown,
  showReading,
  type UnitSystem,
} from './format';
export { endsInUnit, type Parsed, parseQuantity, parseReading } from './parse';
export { type Reading, readingValue } from './reading';
export { formatDuration, inSeconds, type Millis, millis } from './time';
