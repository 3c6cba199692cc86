import type { Dimension } from './dimension';

/**
 * What a meter, gauge or clock showed. Values are SI.
 * `range` is an unsteady display that wanders between two values; `open` is the meter's "OL".
 */
export type Reading =
  | { readonly kind: 'value'; readonly value: number; readonly dimension: Dimension }
  | { readonly kind: 'range'; readonly low: number; readonly high: number; readonly dimension: Dimension }
  | { readonly kind: 'open'; readonly dimension: 'resistance' };

/** The middle of a reading, SI; infinity for OL. */
export function readingValue(reading: Reading): number {
  if (reading.kind === 'value') return reading.value;
  return reading.kind === 'range' ? (reading.low + reading.high) / 2 : Infinity;
}
