import type { Dimension } from '../../units';
import { type Problems, readGiven, type Typed } from '../given';
import type { Ask, Given, Verdict } from '../spec';
import { type Uncertain, judgeZones, type Zones } from '../zones';

/** One thing that comes out: a quantity, or a plain number with its unit in words. */
export interface Result {
  readonly title: string;
  readonly value: number;
  readonly dimension?: Dimension;
  /** Behind a plain number. */
  readonly unit?: string;
  /** What is said instead of the number. */
  readonly instead?: string;
  /** How far it may be off. */
  readonly u?: number;
  readonly verdict?: Verdict;
  readonly because?: string;
}

/** What is drawn: one result as one of what was typed goes from one value to another. SI. */
interface Curve {
  readonly of: string;
  readonly from: number;
  readonly to: number;
  /** Which of the results. */
  readonly result: number;
}

/** A calculator as a form: what is typed, what comes out, and what goes wrong with it. */
export interface Worksheet {
  readonly id: string;
  readonly number: number;
  readonly title: string;
  readonly formula: string;
  readonly source: string;
  /** The mistake that is made with it. */
  readonly trap: string;
  readonly asks: readonly Ask[];
  readonly work: (given: Given) => readonly Result[];
  readonly curve?: Curve;
}

/** What a worksheet says to what was typed; nothing is worked out while something it needs is missing or cannot be read. */
export interface WorkedOut {
  readonly results: readonly Result[];
  readonly problems: Problems;
  /** Titles of what is still to be typed. */
  readonly missing: readonly string[];
  /** Outside what the formula holds for, with what to do. */
  readonly refused?: string;
}

/** Works a sheet out from what was typed. */
export function workOut(sheet: Worksheet, typed: Typed): WorkedOut {
  const { given, problems } = readGiven(sheet.asks, typed);
  const missing = sheet.asks
    .filter((a) => a.need === 'must' && (a.kind === 'choice' ? given.choice(a.id) : given.number(a.id)) === undefined)
    .map((a) => a.title);
  if (missing.length > 0 || Object.keys(problems).length > 0) return { results: [], problems, missing };
  try {
    return { results: sheet.work(given), problems, missing };
  } catch (e) {
    if (e instanceof RangeError) return { results: [], problems, missing, refused: e.message };
    throw e;
  }
}

/** Points of a sheet's curve, SI, with everything else as it was typed; where the formula does not hold there is no point. */
export function curveOf(sheet: Worksheet, typed: Typed, steps = 60): readonly (readonly [number, number])[] {
  const { curve } = sheet;
  if (!curve) return [];
  const { given } = readGiven(sheet.asks, typed);
  const points: (readonly [number, number])[] = [];
  for (let i = 0; i <= steps; i++) {
    const x = curve.from + ((curve.to - curve.from) * i) / steps;
    try {
      const y = sheet.work({ ...given, number: (id) => (id === curve.of ? x : given.number(id)) })[curve.result]?.value;
      if (y !== undefined && Number.isFinite(y)) points.push([x, y]);
    } catch (e) {
      if (!(e instanceof RangeError)) throw e;
    }
  }
  return points;
}

/** A result that is judged by zones. */
export const judgedResult = (title: string, x: Uncertain, zones: Zones, dimension: Dimension): Result => ({
  title,
  ...x,
  dimension,
  verdict: judgeZones(x, zones).verdict,
});
