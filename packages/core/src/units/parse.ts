import { type Dimension, factsOf, findUnit, siUnit, type Unit } from './dimension';
import type { Reading } from './reading';

export type Parsed<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly message: string };

const NUMBER = String.raw`[-+]?(?:\d{1,3}(?:,\d{3})+(?:\.\d+)?|\d+(?:[.,]\d*)?|[.,]\d+)(?:e[-+]?\d+)?`;
const SINGLE = new RegExp(String.raw`^(${NUMBER})\s*(.*)$`, 'i');
const RANGE = new RegExp(String.raw`^(${NUMBER})\s*([^\d\s.,+-]*)\s*(?:-|–|—|\.\.|to|…)\s*(${NUMBER})\s*(.*)$`, 'i');
/** The size of a drill: inches unless said otherwise. */
const FRACTION = /^(\d+)\s*\/\s*(\d+)\s*(\S+)?$/;
const OPEN = /^(ol|o\.l\.?|0l|open|infinite|inf|∞)$/i;

/** Reads a decimal number the way people write it: `3,2` and `3.2` are the same, `1,200` is twelve hundred. */
function parseNumber(text: string): number {
  const t = text.trim();
  if (/^[-+]?[1-9]\d{0,2}(,\d{3})+(\.\d+)?$/.test(t)) return Number(t.replaceAll(',', ''));
  return Number(t.replace(',', '.'));
}

/**
 * Parses what a technician typed as a reading. Values without a unit take the SI unit of `expected`
 * (inches of water column for pressure, because that is what a manometer on a burner shows; microfarads; degrees Fahrenheit
 * or Celsius must be written).
 * Fails with a sentence that says what to type instead.
 */
export const parseReading = (text: string, expected?: Dimension): Parsed<Reading> =>
  parseWithin('most', text, expected);

/** Whether a number comes from an instrument, or is written of an appliance. */
type Limits = 'most' | 'mostWritten';

function parseWithin(limits: Limits, text: string, expected?: Dimension): Parsed<Reading> {
  const typed = text.trim();
  if (typed === '') return fail(`Nothing typed. Type ${ask(expected)}.`);
  if (OPEN.test(typed)) {
    if (expected === 'voltage')
      return fail(
        `"${typed}" at volts is more than the range shows, or the meter is set to ohms. Set it to a higher range of volts and read again.`,
      );
    if (expected !== undefined && expected !== 'resistance')
      return fail(`"${typed}" (open line) is an ohms reading; here type ${ask(expected)}.`);
    return { ok: true, value: { kind: 'open', dimension: 'resistance' } };
  }
  const drill = expected === 'length' ? FRACTION.exec(typed) : null;
  if (drill) {
    if (Number(drill[2]) === 0) return fail(`"${typed}" divides by nothing. Type ${ask(expected)}.`);
    return parseWithin(limits, `${Number(drill[1]) / Number(drill[2])} ${drill[3] ?? 'in'}`, expected);
  }
  const range = RANGE.exec(typed);
  if (range && !/e$/i.test(range[1]!)) {
    const unit = unitFor(range[4]!.trim() || range[2]!.trim(), expected);
    if (!unit.ok) return unit;
    const low = toSi(parseNumber(range[1]!), unit.value);
    const high = toSi(parseNumber(range[3]!), unit.value);
    const bad = refuse(Math.max(Math.abs(low), Math.abs(high)), unit.value.dimension, typed, limits);
    if (bad) return fail(bad);
    return {
      ok: true,
      value: {
        kind: 'range',
        low: Math.min(low, high),
        high: Math.max(low, high),
        dimension: unit.value.dimension,
      },
    };
  }
  const single = SINGLE.exec(typed);
  if (!single) return fail(`"${typed}" is not a reading. Type ${ask(expected)}.`);
  const unit = unitFor(single[2]!.trim(), expected);
  if (!unit.ok) return unit;
  const value = toSi(parseNumber(single[1]!), unit.value);
  const bad = refuse(Math.abs(value), unit.value.dimension, typed, limits);
  if (bad) return fail(bad);
  return { ok: true, value: { kind: 'value', value, dimension: unit.value.dimension } };
}

/** Parses a plain quantity (no OL, no range) as written in a profile: `0.60 inwc`, `30 s`, `4.7k`. SI value. */
export function parseQuantity(text: string, expected?: Dimension): Parsed<{ value: number; dimension: Dimension }> {
  const parsed = parseWithin('mostWritten', text, expected);
  if (!parsed.ok) return parsed;
  if (parsed.value.kind !== 'value') return fail(`"${text}" must be one plain quantity. Write ${ask(expected)}.`);
  return { ok: true, value: { value: parsed.value.value, dimension: parsed.value.dimension } };
}

/** Whether something typed ends in a unit, and not in a figure: `0.6 in w.c.`, `3.2uA`, `OL`. */
export const endsInUnit = (typed: string): boolean => /[a-zµμΩ°%"'³∞]\.?\s*$/i.test(typed);

function unitFor(typed: string, expected: Dimension | undefined): Parsed<Unit> {
  if (typed === '') {
    if (expected === undefined) return { ok: true, value: siUnit('none') };
    if (expected === 'pressure') return { ok: true, value: findUnit('inwc')! };
    if (expected === 'capacitance') return { ok: true, value: findUnit('µF')! };
    if (expected === 'temperature') return fail('Add the scale: 140 F or 60 C.');
    if (expected === 'length') return fail('Add the unit: 3.2 mm or 1/8 in.');
    return { ok: true, value: siUnit(expected) };
  }
  const unit = findUnit(typed, expected);
  if (!unit) return fail(`"${typed}" is not a unit known here. Type ${ask(expected)}.`);
  if (expected !== undefined && unit.dimension !== expected)
    return fail(`${unit.symbol} measures ${words(unit.dimension)}; here type ${ask(expected)}.`);
  return { ok: true, value: unit };
}

function refuse(magnitude: number, dimension: Dimension, typed: string, limits: Limits): string | undefined {
  if (!Number.isFinite(magnitude)) return `"${typed}" is not a number. Type ${ask(dimension)}.`;
  const facts = factsOf(dimension);
  const limit = facts[limits] ?? facts.most;
  if (limit !== undefined && magnitude > limit)
    return `"${typed}" is more than any instrument shows on this job. Check the digits and the unit, then type it again.`;
  return undefined;
}

const toSi = (value: number, unit: Unit): number => value * unit.factor + (unit.offset ?? 0);
const words = (dimension: Dimension): string => dimension.replace('-', ' ');
const ask = (dimension: Dimension | undefined): string =>
  (dimension && factsOf(dimension).ask) ?? 'a number with its unit, for example 24.6 V';
const fail = (message: string): { ok: false; message: string } => ({ ok: false, message });
