import type { Uncertain } from './zones';

/**
 * Half of the interval in which a value lies, from the half-widths of what it depends on: twice the combined standard uncertainty of
 * rectangular distributions, U = 2·√(Σaᵢ²/3) (JCGM 100, from memory).
 */
export const expanded = (...halfWidths: readonly number[]): number =>
  2 * Math.sqrt(halfWidths.reduce((sum, a) => sum + a ** 2, 0) / 3);

/** One range of an instrument: up to where it reads, and the worth of its last digit. SI. */
interface Range {
  readonly to: number;
  readonly digit: number;
}

/** What an instrument may be off: a share of the reading, and so many of its last digits. */
export interface Accuracy {
  readonly share: number;
  readonly digits: number;
  readonly ranges: readonly Range[];
}

const ranges = (...pairs: readonly (readonly [number, number])[]): Range[] =>
  pairs.map(([to, digit]) => ({ to, digit }));

/** Hand-held instruments until the shop's register says otherwise. Common practice, no source. */
export const INSTRUMENTS_OF_A_BAG = {
  ohms: { share: 0.01, digits: 3, ranges: ranges([600, 0.1], [6e3, 1], [60e3, 10], [600e3, 100], [6e6, 1e3]) },
  'volts-ac': { share: 0.01, digits: 3, ranges: ranges([6, 0.001], [60, 0.01], [600, 0.1], [1000, 1]) },
  'volts-dc': { share: 0.005, digits: 2, ranges: ranges([6, 0.001], [60, 0.01], [600, 0.1], [1000, 1]) },
  millivolts: { share: 0.005, digits: 3, ranges: ranges([0.6, 0.1e-3]) },
  microamps: { share: 0.01, digits: 2, ranges: ranges([600e-6, 0.1e-6]) },
  clamp: { share: 0.02, digits: 5, ranges: ranges([60, 0.01], [600, 0.1]) },
  capacitance: { share: 0.02, digits: 4, ranges: ranges([60e-6, 0.01e-6], [600e-6, 0.1e-6]) },
  manometer: { share: 0.01, digits: 2, ranges: ranges([14_000, 2.49089]) },
  thermometer: { share: 0, digits: 1, ranges: ranges([2000, 1]) },
  stopwatch: { share: 0, digits: 1, ranges: ranges([7 * 86_400, 0.5]) },
} as const satisfies Readonly<Record<string, Accuracy>>;

export type InstrumentOfABag = keyof typeof INSTRUMENTS_OF_A_BAG;

/** Half-width of what an instrument may be off at a reading. SI; the coarsest range beyond the last. */
export function offBy({ share, digits, ranges: all }: Accuracy, reading: number): number {
  const size = Math.abs(reading);
  const range = all.find(({ to }) => size <= to) ?? all[all.length - 1]!;
  return share * size + digits * range.digit;
}

/** What is known of the ohms of the leads: read with the tips together, or assumed. */
export const leadOhms = (zeroed: number | undefined): Uncertain =>
  zeroed === undefined ? { value: 0.3, u: 0.2 } : { value: zeroed, u: 0.05 };
