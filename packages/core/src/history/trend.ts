import { MILLIS_A_YEAR, type Moment } from './moment';

/** A reading and when it was taken. SI. */
export interface Point extends Moment {
  readonly value: number;
  /** Half of the interval in which the true value lies, nineteen in twenty. */
  readonly u: number;
}

/** A straight line through the readings since it began to slide. SI; what may be off is nine in ten. */
export interface Trend {
  /** The first and the last reading that it was drawn through. */
  readonly from: number;
  readonly to: number;
  readonly points: number;
  /** The middle of its time, where the line is known best, and its height there. */
  readonly middle: number;
  readonly level: number;
  readonly levelWithin: number;
  readonly perYear: number;
  readonly perYearWithin: number;
  /** Whether it surely goes one way. */
  readonly slides: boolean;
}

/** When a trend crosses a limit, nine in ten. */
export interface Crossing {
  readonly earliest: number;
  readonly latest: number;
}

/** Fewer readings say nothing of a trend, and neither do some of one season. Chosen by us. */
const FEWEST = 4;
const SHORTEST = MILLIS_A_YEAR / 2;
/**
 * Two lines are believed rather than one where they fit so much better (F of two more numbers): more is asked of few readings,
 * which bend somewhere by chance. Chosen by us.
 */
const muchBetter = (n: number): number => 10 * (1 + 8 / (n - 4));

/** 95 % points of Student’s t by degrees of freedom, 1 to 30 (NIST/SEMATECH e-Handbook, table 1.3.6.7.2). */
const T95 = [
  6.314, 2.92, 2.353, 2.132, 2.015, 1.943, 1.895, 1.86, 1.833, 1.812, 1.796, 1.782, 1.771, 1.761, 1.753, 1.746, 1.74,
  1.734, 1.729, 1.725, 1.721, 1.717, 1.714, 1.711, 1.708, 1.706, 1.703, 1.701, 1.699, 1.697,
];
const T95_OF_MANY = 1.645;

/**
 * The trend of readings in the order of their times: least squares through all of them, or through the latest where what came
 * before lies on another line (a part that held for years and now slides). The scatter is never taken to be less than what the
 * instrument leaves open. Nothing where there are too few, or all of one season.
 */
export function trendOf(points: readonly Point[]): Trend | undefined {
  const used = sinceItBent(points);
  if (!longEnough(used)) return undefined;
  const { middle, level, slope, spread, scatter } = fitted(used);
  const t = T95[used.length - 3] ?? T95_OF_MANY;
  const perYearWithin = (t * scatter) / Math.sqrt(spread);
  return {
    from: used[0]!.at,
    to: used[used.length - 1]!.at,
    points: used.length,
    middle,
    level,
    levelWithin: (t * scatter) / Math.sqrt(used.length),
    perYear: slope,
    perYearWithin,
    slides: Math.abs(slope) > perYearWithin,
  };
}

/** The line at a moment, and how far it may be off there. */
export function trendAt(trend: Trend, moment: number): { readonly value: number; readonly within: number } {
  const x = (moment - trend.middle) / MILLIS_A_YEAR;
  return { value: trend.level + trend.perYear * x, within: Math.hypot(trend.levelWithin, trend.perYearWithin * x) };
}

/**
 * When a trend crosses a limit: the moments at which the line may lie on it (Fieller’s interval of inverse regression). Nothing for
 * what does not surely slide, slides away from it, or had crossed it before its last reading.
 */
export function crossingOf(trend: Trend, limit: number): Crossing | undefined {
  const { to, middle, level, levelWithin, perYear, perYearWithin, slides } = trend;
  if (!slides || (limit - trendAt(trend, to).value) * perYear <= 0) return undefined;
  // (perYear·x − d)² = levelWithin² + (perYearWithin·x)², x years from the middle.
  const d = limit - level;
  const a = perYear ** 2 - perYearWithin ** 2;
  const half = Math.sqrt((perYear * d) ** 2 - a * (d ** 2 - levelWithin ** 2));
  const when = (x: number): number => middle + x * MILLIS_A_YEAR;
  return {
    earliest: Math.max(to, when((perYear * d - half) / a)),
    latest: when((perYear * d + half) / a),
  };
}

/** The latest of the readings, back to where they bent most; all of them where one line does as well. */
function sinceItBent(points: readonly Point[]): readonly Point[] {
  const n = points.length;
  const one = fitted(points).left;
  const splits = points
    .map((_, k) => ({ before: points.slice(0, k), after: points.slice(k) }))
    .filter(({ before, after }) => before.length >= 2 && longEnough(after))
    .map(({ before, after }) => ({ after, left: fitted(before).left + fitted(after).left }));
  const [best] = splits.sort((a, b) => a.left - b.left);
  if (!best || n < 6) return points;
  const scatter = Math.max(best.left / (n - 4), ofInstrument(points));
  return (one - best.left) / 2 > muchBetter(n) * scatter ? best.after : points;
}

const longEnough = (points: readonly Point[]): boolean =>
  points.length >= FEWEST && points[points.length - 1]!.at - points[0]!.at >= SHORTEST;

/** Least squares through all of them; `left` is the sum of the squares that are left. */
function fitted(points: readonly Point[]) {
  const n = points.length;
  const mean = (of: (p: Point) => number): number => points.reduce((sum, p) => sum + of(p), 0) / n;
  const [middle, level] = [mean((p) => p.at), mean((p) => p.value)];
  const x = (p: Point): number => (p.at - middle) / MILLIS_A_YEAR;
  const spread = n * mean((p) => x(p) ** 2);
  const slope = spread === 0 ? 0 : (n * mean((p) => x(p) * (p.value - level))) / spread;
  const left = n * mean((p) => (p.value - level - slope * x(p)) ** 2);
  return {
    middle,
    level,
    slope,
    spread,
    left,
    scatter: Math.sqrt(Math.max(left / (n - 2), ofInstrument(points))),
  };
}

/** The variance that the instrument leaves open: half of nineteen in twenty is two standard deviations. */
const ofInstrument = (points: readonly Point[]): number =>
  points.reduce((sum, { u }) => sum + (u / 2) ** 2, 0) / points.length;
