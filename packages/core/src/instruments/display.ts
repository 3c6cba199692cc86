import { findUnit } from '../units';
import { factsOf, type FunctionId } from './functions';

/** One thing that an instrument showed. */
export interface Display {
  /** By the clock of whoever listens, milliseconds. */
  readonly at: number;
  readonly function: FunctionId;
  /** In its unit; nothing while it looks for its range, and where it shows OL. */
  readonly value: number | undefined;
  readonly unit: string;
  /** Size of its last digit, in its unit. */
  readonly step: number;
  /** OL: more than it can show, or an open circuit. */
  readonly over: boolean;
}

type Shown = Omit<Display, 'at'>;

/** Whether it looks for its range and shows nothing meanwhile. */
export const ranging = ({ value, over }: Shown): boolean => value === undefined && !over;

/** Digits behind the point of a display whose last digit is of this size. */
export const decimals = (step: number): number => Math.max(0, Math.round(-Math.log10(step)));

/** What stands on the display: `26.1`, `OL`, or dashes while it looks for its range. */
export const digitsOf = ({ value, over, step }: Shown): string =>
  over ? 'OL' : value === undefined ? '– – –' : value.toFixed(decimals(step));

/** What stands beside it: `V AC`, `kΩ`. */
export function unitOf({ function: set, unit }: Shown): string {
  const current = / (AC|DC)/.exec(factsOf(set).title)?.[1];
  return current === undefined ? unit : `${unit} ${current}`;
}

/** How many SI units are one of a display's. */
export const factor = (unit: string): number => findUnit(unit)?.factor ?? 1;

/** What a display shows, SI. */
export const inSi = ({ unit, value = 0 }: Shown): number => value * factor(unit) + (findUnit(unit)?.offset ?? 0);
