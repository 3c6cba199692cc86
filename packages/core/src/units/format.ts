import { type Dimension, factsOf, findUnit, siUnit, type Unit } from './dimension';
import type { Reading } from './reading';

/** Which family of units a person wants to see. Storage is always SI. */
export type UnitSystem = 'us' | 'si';

const SCALES: readonly [string, number][] = [
  ['M', 1e6],
  ['k', 1e3],
  ['', 1],
  ['m', 1e-3],
  ['µ', 1e-6],
];

/** Three significant figures, as a hand-held meter shows them, without trailing exponent. */
export function formatNumber(value: number, figures = 3): string {
  if (value === 0) return '0';
  const digits = Math.max(0, Math.min(6, figures - 1 - Math.floor(Math.log10(Math.abs(value)))));
  const text = value.toFixed(digits);
  return digits > 0 ? text.replace(/\.?0+$/, '') : text;
}

/** What a display shows: its figures, their unit, and whether they wander. */
export interface Shown {
  readonly figures: string;
  readonly unit: string;
  readonly unsteady: boolean;
}

const inWords = ({ figures, unit, unsteady }: Shown): string =>
  `${figures}${unit === '' ? '' : ` ${unit}`}${unsteady ? ', unsteady' : ''}`;

/**
 * What a meter shows of a reading: sensible digits, prefix and unit, OL, unsteady ranges. `scale`, in SI, chooses prefix and
 * unit where the dial of an instrument does, whatever it shows at the moment.
 */
export function showReading(reading: Reading, system: UnitSystem = 'us', scale?: number): Shown {
  if (reading.kind === 'open') return { figures: 'OL', unit: '', unsteady: false };
  const { dimension } = reading;
  if (reading.kind === 'value' && !Number.isFinite(reading.value))
    return { figures: dimension === 'resistance' ? 'OL' : '—', unit: '', unsteady: false };
  const unit = displayUnit(scale ?? (reading.kind === 'value' ? reading.value : reading.high), dimension, system);
  return shown(reading, unit);
}

/** The same for a thermocouple's circuit, which its meter shows in millivolts whatever it is. */
export const showMillivolts = (reading: Reading): Shown =>
  reading.kind === 'open' ? showReading(reading) : shown(reading, MILLIVOLTS);

const MILLIVOLTS: Unit = { symbol: 'mV', dimension: 'voltage', factor: 1e-3 };

function shown(reading: Exclude<Reading, { kind: 'open' }>, { symbol, factor, offset = 0 }: Unit): Shown {
  const figures = (value: number): string => formatNumber((value - offset) / factor);
  return reading.kind === 'value'
    ? { figures: figures(reading.value), unit: symbol, unsteady: false }
    : { figures: `${figures(reading.low)}–${figures(reading.high)}`, unit: symbol, unsteady: true };
}

/** Formats an SI value for people: sensible digits, prefix and unit (`0.2 Ω`, `3.2 µA`, `0.6 in w.c.`, `37 mV`). */
export const formatQuantity = (
  value: number,
  dimension: Dimension,
  system: UnitSystem = 'us',
  scale?: number,
): string => inWords(showReading({ kind: 'value', value, dimension }, system, scale));

/** Formats a reading, showing OL and unsteady ranges as a meter would; `scale` as for `showReading`. */
export const formatReading = (reading: Reading, system: UnitSystem = 'us', scale?: number): string =>
  inWords(showReading(reading, system, scale));

/** Formats a voltage of a thermocouple's circuit. */
export const formatMillivolts = (reading: Reading): string => inWords(showMillivolts(reading));

function displayUnit(value: number, dimension: Dimension, system: UnitSystem): Unit {
  const magnitude = Math.abs(value);
  switch (dimension) {
    case 'temperature':
      return findUnit(system === 'us' ? '°F' : '°C')!;
    case 'temperature-difference':
      return findUnit(system === 'us' ? 'Δ°F' : 'Δ°C')!;
    case 'time':
      if (magnitude >= 2 * 3600) return findUnit('h')!;
      return magnitude >= 120 ? findUnit('min')! : siUnit('time');
    case 'fraction':
      return magnitude < 0.002 && magnitude > 0 ? findUnit('ppm')! : findUnit('%')!;
    case 'pressure':
      if (system === 'us') return magnitude > 8000 ? findUnit('psi')! : findUnit('in w.c.')!;
      break;
    case 'flow':
      return findUnit(system === 'us' ? 'cfm' : 'm³/s')!;
    case 'length':
      return system === 'us' ? findUnit('inch')! : findUnit('mm')!;
    case 'volume':
      return system === 'us' ? findUnit('ft³')! : siUnit('volume');
  }
  const base = siUnit(dimension);
  const { least } = factsOf(dimension);
  if (least === undefined) return base;
  // A control voltage of 0.9 V is "0.9 V" to a technician; millivolts begin where thermocouples live.
  const threshold = dimension === 'voltage' ? 0.1 : 1;
  for (const [prefix, scale] of SCALES) {
    const from = scale === 1 ? threshold : scale;
    if ((magnitude >= from && scale >= least) || scale === least || (magnitude === 0 && scale === 1))
      return { symbol: prefix + base.symbol, dimension, factor: scale };
  }
  return base;
}

/** Words as they begin a line. */
export const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** Words as they go on within one. */
export const uncapital = (words: string): string => words.charAt(0).toLowerCase() + words.slice(1);
