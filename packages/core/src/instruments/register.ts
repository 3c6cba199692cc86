import { INSTRUMENTS_OF_A_BAG, type InstrumentOfABag, type Instruments } from '../bench';
import type { Parsed } from '../units';
import type { InstrumentKind } from './functions';

/** What an instrument may be off by its sheet: so many per cent of the reading, and so many of its last digits. */
export interface InstrumentClass {
  readonly percent: number;
  readonly digits: number;
}

/** By what is measured. */
export type Classes = Partial<Readonly<Record<InstrumentOfABag, InstrumentClass>>>;

/** What is measured by an instrument whose class a register keeps, in words; a stopwatch has none. */
export const MEASURED_BY: Readonly<Record<InstrumentKind, readonly InstrumentOfABag[]>> = {
  multimeter: ['ohms', 'volts-ac', 'volts-dc', 'millivolts', 'microamps', 'capacitance'],
  clamp: ['clamp'],
  manometer: ['manometer'],
  thermometer: ['thermometer'],
  analyser: [],
};

/** The largest class that anybody would measure with. */
const MOST_PERCENT = 20;
const MOST_DIGITS = 100;

/** Reads a class as it stands on a sheet: `1 % + 3`, `0.5% + 2 d`, `2 %`. */
export function readClass(typed: string): Parsed<InstrumentClass> {
  const found = /^\s*(\d+(?:[.,]\d+)?)\s*%?\s*(?:\+\s*(\d+)\s*(?:d|digits?|counts?)?)?\s*$/i.exec(typed);
  const percent = found && Number(found[1]!.replace(',', '.'));
  const digits = found && Number(found[2] ?? 0);
  if (percent === null || digits === null || percent > MOST_PERCENT || digits > MOST_DIGITS)
    return {
      ok: false,
      message: `Type the class as it stands on its sheet, for example 1 % + 3; at most ${MOST_PERCENT} % + ${MOST_DIGITS}.`,
    };
  return { ok: true, value: { percent, digits } };
}

/** A class as it is typed. */
export const classWords = ({ percent, digits }: InstrumentClass): string =>
  digits === 0 ? `${percent} %` : `${percent} % + ${digits}`;

/** What the judge counts with where these instruments are used; their ranges are those of a usual one. */
export const instrumentsBy = (classes: Classes): Instruments =>
  Object.fromEntries(
    Object.entries(classes).map(([kind, { percent, digits }]) => [
      kind,
      { ...INSTRUMENTS_OF_A_BAG[kind as InstrumentOfABag], share: percent / 100, digits },
    ]),
  );

/** The class of a usual one, until somebody writes down its own. */
export const usualClass = (kind: InstrumentOfABag): InstrumentClass => ({
  percent: 100 * INSTRUMENTS_OF_A_BAG[kind].share,
  digits: INSTRUMENTS_OF_A_BAG[kind].digits,
});

/** Whether an instrument is to be calibrated again. `today` and the day are ISO dates. */
export const calibrationDue = (due: string | null, today: string): boolean => due !== null && due < today;
