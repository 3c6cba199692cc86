import type { Dial } from '../question';
import {
  type Dimension,
  formatMillivolts,
  formatNumber,
  formatQuantity,
  formatReading,
  type Reading,
  showMillivolts,
  type Shown,
  showReading,
  type UnitSystem,
} from '../units';

/** Who reads: what is stored in SI is written in their units at the last moment. */
export interface Reader {
  readonly units: UnitSystem;
}

/** A reading as its instrument shows it. */
export const readingWords = (reading: Reading, dial: Dial, { units }: Reader): string =>
  dial.millivolts ? formatMillivolts(reading) : formatReading(reading, units, dial.scale);

/** What its instrument shows of a reading. */
export const shownOn = (reading: Reading, dial: Dial, { units }: Reader): Shown =>
  dial.millivolts ? showMillivolts(reading) : showReading(reading, units, dial.scale);

/** A value as its instrument shows it. */
export const valueWords = (value: number, dimension: Dimension, dial: Dial, reader: Reader): string =>
  readingWords({ kind: 'value', value, dimension }, dial, reader);

/** Volts, in as few figures as an unsteady display allows. */
export const roughly = (volts: number, { millivolts }: Dial): string =>
  formatNumber(volts * (millivolts ? 1000 : 1), 2);

/** A limit or book value, which no instrument showed. */
export const quantityWords = (value: number, dimension: Dimension, { units }: Reader): string =>
  formatQuantity(value, dimension, units);
