import type { Zones } from '../bench';
import { MILLIS_A_YEAR } from './moment';
import type { ReadingLine } from './reading-lines';
import { type Crossing, crossingOf, type Trend, trendOf } from './trend';

/** Where a reading is no longer good, or bad. SI. */
export interface LimitEnd {
  readonly value: number;
  readonly words: 'marginal' | 'bad';
  readonly side: 'low' | 'high';
}

/** Where the readings of a line go: its trend, its limits, and those that it will cross, the nearest first. */
export interface Course {
  readonly trend: Trend | undefined;
  readonly ends: readonly LimitEnd[];
  readonly ahead: readonly (LimitEnd & { readonly crossing: Crossing })[];
}

/** Nobody is told of what comes later. Chosen by us. */
export const AHEAD = 8 * MILLIS_A_YEAR;

export function courseOf({ points, limits }: Pick<ReadingLine, 'points' | 'limits'>): Course {
  const trend = trendOf(points);
  const ends = limits ? endsOf(limits.zones) : [];
  const ahead = trend
    ? ends
        .flatMap((end) => {
          const crossing = crossingOf(trend, end.value);
          return crossing && crossing.earliest < trend.to + AHEAD ? { ...end, crossing } : [];
        })
        .sort((a, b) => a.crossing.earliest - b.crossing.earliest)
    : [];
  return { trend, ends, ahead };
}

function endsOf({ good, marginal }: Zones): LimitEnd[] {
  const end = (value: number | undefined, words: LimitEnd['words'], side: LimitEnd['side']): LimitEnd[] =>
    value === undefined ? [] : [{ value, words, side }];
  const [low, high] = [good.from === marginal.from, good.to === marginal.to];
  return [
    ...(low ? [] : end(good.from, 'marginal', 'low')),
    ...end(marginal.from, 'bad', 'low'),
    ...(high ? [] : end(good.to, 'marginal', 'high')),
    ...end(marginal.to, 'bad', 'high'),
  ];
}
