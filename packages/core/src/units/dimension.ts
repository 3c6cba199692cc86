/** What is the same for every number that measures one thing. */
interface DimensionFacts {
  /** How its SI unit is written. */
  readonly symbol: string;
  /** Smallest prefix that is shown (nobody reads micro-ohms on a service call); without one its unit is shown as it is. */
  readonly least?: number;
  /** Largest magnitude that any instrument on a service call can show, SI. Beyond it the typing is wrong. */
  readonly most?: number;
  /** The same for what may be written of an appliance. */
  readonly mostWritten?: number;
  /** How a reading of it is typed. */
  readonly ask?: string;
}

/** What a number can measure. Values are always kept in the SI unit of their dimension. */
const DIMENSIONS = {
  none: { symbol: '' },
  // An ignition transformer makes thousands of volts that no meter here shows.
  voltage: { symbol: 'V', least: 1e-3, most: 1000, mostWritten: 20_000, ask: 'volts, for example 24.6 or 37mV' },
  current: { symbol: 'A', least: 1e-6, most: 100, ask: 'a current, for example 3.2uA or 0.45 A' },
  resistance: { symbol: 'Ω', least: 1, most: 1e9, ask: 'ohms, for example 15.4, 1.85k or OL' },
  capacitance: { symbol: 'F', least: 1e-6, most: 1e-2, ask: 'microfarads, for example 4.8 or 7.5 uF' },
  power: { symbol: 'W', least: 1 },
  pressure: { symbol: 'Pa', least: 1, most: 7e6, ask: 'a pressure, for example 0.6 inwc or 150 Pa' },
  temperature: { symbol: 'K', most: 2000, ask: 'a temperature, for example 140 F or 60 C' },
  'temperature-difference': { symbol: 'Δ°C' },
  time: { symbol: 's', most: 7 * 86400, ask: 'a time, for example 4.5 s or 2 min' },
  length: { symbol: 'm', most: 100, mostWritten: 12_000, ask: 'a length, for example 3.2 mm or 1/8 in' },
  volume: { symbol: 'm³' },
  flow: { symbol: 'm³/s' },
  energy: { symbol: 'J' },
  frequency: { symbol: 'Hz' },
  fraction: { symbol: '', most: 1, ask: 'a share, for example 8.5 % or 60 ppm' },
} as const satisfies Readonly<Record<string, DimensionFacts>>;

export type Dimension = keyof typeof DIMENSIONS;

export const factsOf = (dimension: Dimension): DimensionFacts => DIMENSIONS[dimension];

/** From where shares of a value count, SI: a thing warms up from the room's temperature (20 °C), not from absolute zero. */
export const zeroOf = (dimension: Dimension): number => (dimension === 'temperature' ? 293.15 : 0);

export interface Unit {
  /** How the unit is written on screen. */
  readonly symbol: string;
  readonly dimension: Dimension;
  /** SI value = typed × factor + offset. */
  readonly factor: number;
  readonly offset?: number;
  /** Other spellings people type. */
  readonly also?: readonly string[];
}

/** Conventional inch of water, in pascals (NIST SP 811). */
const INCH_OF_WATER = 249.089;
const PSI = 6894.757;
const BTU_IT = 1055.056;
const US_GALLON = 3.785412e-3;
const CUBIC_FOOT = 0.028316846592;

/** Units without metric prefixes; prefixed forms of `prefixable` symbols are made in `findUnit`. */
const UNITS: readonly Unit[] = [
  { symbol: 'V', dimension: 'voltage', factor: 1, also: ['volt', 'volts', 'vac', 'vdc', 'v~', 'v⎓'] },
  { symbol: 'A', dimension: 'current', factor: 1, also: ['amp', 'amps', 'ampere', 'amperes', 'adc', 'aac'] },
  { symbol: 'Ω', dimension: 'resistance', factor: 1, also: ['Ω', 'ohm', 'ohms', 'r'] },
  {
    symbol: 'µF',
    dimension: 'capacitance',
    factor: 1e-6,
    also: ['uF', 'uf', 'μF', 'mfd', 'microfarad', 'microfarads'],
  },
  { symbol: 'W', dimension: 'power', factor: 1, also: ['watt', 'watts', 'va'] },
  { symbol: 'Pa', dimension: 'pressure', factor: 1, also: ['pascal', 'pascals'] },
  { symbol: 'bar', dimension: 'pressure', factor: 1e5 },
  {
    symbol: 'in w.c.',
    dimension: 'pressure',
    factor: INCH_OF_WATER,
    also: ['inwc', 'inw.c.', 'inwc.', '"wc', '"w.c.', 'iwc', 'inh2o', 'in'],
  },
  { symbol: 'psi', dimension: 'pressure', factor: PSI, also: ['psig', 'psia'] },
  { symbol: 'in Hg', dimension: 'pressure', factor: 3386.389, also: ['inhg'] },
  { symbol: '°C', dimension: 'temperature', factor: 1, offset: 273.15, also: ['c', 'degc', 'celsius'] },
  {
    symbol: '°F',
    dimension: 'temperature',
    factor: 5 / 9,
    offset: 459.67 * (5 / 9),
    also: ['f', 'degf', 'fahrenheit'],
  },
  { symbol: 'K', dimension: 'temperature', factor: 1, also: ['kelvin'] },
  { symbol: 'Δ°C', dimension: 'temperature-difference', factor: 1, also: ['dc', 'dk', 'Δk'] },
  { symbol: 'Δ°F', dimension: 'temperature-difference', factor: 5 / 9, also: ['df'] },
  { symbol: 's', dimension: 'time', factor: 1, also: ['sec', 'secs', 'second', 'seconds'] },
  { symbol: 'ms', dimension: 'time', factor: 1e-3, also: ['msec'] },
  { symbol: 'min', dimension: 'time', factor: 60, also: ['minute', 'minutes'] },
  { symbol: 'h', dimension: 'time', factor: 3600, also: ['hr', 'hour', 'hours'] },
  { symbol: 'm', dimension: 'length', factor: 1, also: ['metre', 'meter'] },
  { symbol: 'mm', dimension: 'length', factor: 1e-3 },
  { symbol: 'inch', dimension: 'length', factor: 0.0254, also: ['inches'] },
  { symbol: 'ft', dimension: 'length', factor: 0.3048, also: ['feet', 'foot'] },
  { symbol: 'm³', dimension: 'volume', factor: 1, also: ['m3'] },
  { symbol: 'ft³', dimension: 'volume', factor: CUBIC_FOOT, also: ['ft3', 'cuft', 'cf'] },
  { symbol: 'L', dimension: 'volume', factor: 1e-3, also: ['litre', 'liter', 'litres', 'liters'] },
  { symbol: 'gal', dimension: 'volume', factor: US_GALLON, also: ['gallon', 'gallons'] },
  { symbol: 'm³/s', dimension: 'flow', factor: 1, also: ['m3/s'] },
  { symbol: 'cfm', dimension: 'flow', factor: CUBIC_FOOT / 60 },
  { symbol: 'gpm', dimension: 'flow', factor: US_GALLON / 60 },
  { symbol: 'ft³/h', dimension: 'flow', factor: CUBIC_FOOT / 3600, also: ['ft3/h', 'cfh'] },
  { symbol: 'L/s', dimension: 'flow', factor: 1e-3, also: ['l/s'] },
  { symbol: 'L/min', dimension: 'flow', factor: 1e-3 / 60, also: ['l/min'] },
  { symbol: 'J', dimension: 'energy', factor: 1, also: ['joule', 'joules'] },
  { symbol: 'Btu', dimension: 'energy', factor: BTU_IT, also: ['btus'] },
  { symbol: 'Btu/h', dimension: 'power', factor: BTU_IT / 3600, also: ['btuh', 'btu/hr'] },
  { symbol: 'Hz', dimension: 'frequency', factor: 1, also: ['hertz'] },
  { symbol: '%', dimension: 'fraction', factor: 0.01, also: ['percent'] },
  { symbol: 'ppm', dimension: 'fraction', factor: 1e-6 },
];

const PREFIXES: Readonly<Record<string, number>> = { M: 1e6, k: 1e3, K: 1e3, m: 1e-3, u: 1e-6, µ: 1e-6, μ: 1e-6 };
const PREFIXABLE = new Set(['V', 'A', 'Ω', 'W', 'Pa', 'bar', 'J']);

/** Exact spelling first, then without regard to case: `mV` must stay apart from `MV`. */
const EXACT = new Map<string, Unit>();
const FOLDED = new Map<string, Unit>();
for (const unit of UNITS) {
  for (const spelling of [unit.symbol, ...(unit.also ?? [])]) {
    EXACT.set(spelling, unit);
    const folded = spelling.toLowerCase();
    if (!FOLDED.has(folded)) FOLDED.set(folded, unit);
  }
}

const WORD_PREFIXES: Readonly<Record<string, number>> = { milli: 1e-3, micro: 1e-6, kilo: 1e3, mega: 1e6 };

/**
 * Finds a unit by what a person typed (`uA`, `k`, `inwc`, `ohm`, `MΩ`).
 * A bare prefix letter (`1.85k`) counts as that many of `expected`'s SI unit, ohms when nothing is expected.
 * Returns undefined when no unit is spelled like that.
 */
export function findUnit(typed: string, expected?: Dimension): Unit | undefined {
  const text = typed.replace(/\s+/g, '');
  const bare = PREFIXES[text];
  if (bare !== undefined && text !== 'm' && text !== 'K') return prefixed(bare, text, siUnit(expected ?? 'resistance'));
  if (text === 'm' && expected !== undefined && expected !== 'length')
    return expected === 'time' ? FOLDED.get('min') : prefixed(1e-3, 'm', siUnit(expected));
  // Of a gap an inch is an inch, and not a column of water.
  if (/^(in\.?|")$/i.test(text) && expected === 'length') return FOLDED.get('inch');
  if (text === 'K' && expected === 'resistance') return prefixed(1e3, 'k', siUnit('resistance'));
  const exact = EXACT.get(text);
  if (exact) return exact;
  const head = text[0] ?? '';
  const scale = PREFIXES[head];
  if (scale !== undefined) {
    const rest = EXACT.get(text.slice(1)) ?? FOLDED.get(text.slice(1).toLowerCase());
    if (rest && PREFIXABLE.has(rest.symbol)) return prefixed(scale, head, rest);
  }
  for (const [word, factor] of Object.entries(WORD_PREFIXES)) {
    const rest = text.toLowerCase().startsWith(word) ? FOLDED.get(text.toLowerCase().slice(word.length)) : undefined;
    if (rest && PREFIXABLE.has(rest.symbol)) return prefixed(factor, factor === 1e-6 ? 'µ' : word[0]!, rest);
  }
  return FOLDED.get(text.toLowerCase());
}

function prefixed(scale: number, letter: string, unit: Unit): Unit {
  const shown = letter === 'u' || letter === 'μ' ? 'µ' : letter === 'K' ? 'k' : letter;
  return { symbol: shown + unit.symbol, dimension: unit.dimension, factor: scale * unit.factor };
}

/** The SI unit a dimension is stored in. */
export function siUnit(dimension: Dimension): Unit {
  return { symbol: DIMENSIONS[dimension].symbol, dimension, factor: 1 };
}
