import type { FaultMode } from './part-kind';

/** A stretch of the band over which the degraded value of a part is spread, and how many of the cases lie in it. */
export interface Stretch {
  readonly from: number;
  readonly to: number;
  /** Share of all cases; what is left of 1 by the others. */
  readonly share: number;
  /** How many severities stand for it. */
  readonly points: number;
  /** Spread evenly over the logarithm of the value: for what differs by factors. */
  readonly byFactors?: true;
}

/** What a severity does to the mode, at its value. */
type Done = Pick<FaultMode, 'values' | 'shorts' | 'inSeries'> & { readonly left?: number };

/**
 * The severities of a way of failing: one mode for each point of its band, each in the middle of an equal part of its
 * stretch. They share its rate by the density of the band.
 */
export function inBand(mode: FaultMode, stretches: readonly Stretch[], done: (value: number) => Done): FaultMode[] {
  const points = stretches.flatMap(({ from, to, share, points, byFactors }) =>
    Array.from({ length: points }, (_, i) => {
      const at = (i + 0.5) / points;
      return { value: byFactors ? from * (to / from) ** at : from + (to - from) * at, share: share / points };
    }),
  );
  const values = points.map((p) => p.value);
  const [first, last] = [stretches[0]!.from, stretches[stretches.length - 1]!.to];
  return points.map(({ value, share }, place) => {
    const { left, ...how } = done(values[place]!);
    return {
      ...mode,
      ...how,
      relativeRate: mode.relativeRate * share,
      severity: { place, share, at: (value - first) / (last - first), ...(left === undefined ? {} : { left }) },
    };
  });
}

/** The forms of a way of failing that differ in what of the part is gone, not in how far: each as often as the others. */
export const oneOfThem = (mode: FaultMode, forms: readonly Readonly<Record<string, number>>[]): FaultMode[] =>
  inBand(mode, [even(0, forms.length, forms.length)], (value) => ({ values: forms[Math.floor(value)]! }));

/** A stretch over which the value is spread evenly. */
export const even = (from: number, to: number, points: number, share = 1): Stretch => ({ from, to, share, points });

/** A stretch over which the logarithm of the value is spread evenly. */
export const factors = (from: number, to: number, points: number, share = 1): Stretch => ({
  ...even(from, to, points, share),
  byFactors: true,
});
