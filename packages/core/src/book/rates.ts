import jStat from 'jstat';

/** How often something happens, as learned: by machine and year. */
export interface LearnedRate {
  /** What was assumed, brought to the level of all of them together. */
  readonly assumed: number;
  /** How many cases stand behind it; what is only suspected counts in part. */
  readonly cases: number;
  readonly rate: number;
  /** Nine in ten within. */
  readonly low: number;
  readonly high: number;
}

/** Nine in ten lie between. */
const LOW = 0.05;
const HIGH = 0.95;

/**
 * How wide assumed rates are taken to be, as shapes of a gamma density: at 0.5 nine in ten lie within a factor of 500, at 16
 * within 2.3.
 */
const SHAPES = Array.from({ length: 26 }, (_, i) => 0.5 * 2 ** (i / 5));
/** Before anything is counted assumed rates are believed within a factor of five or so, nine in ten. Chosen by us. */
const USUAL_SHAPE = 2;
const SHAPE_SPREAD = 0.7;

/**
 * Rates by the cases that were counted in some years of machines: gamma–Poisson, the assumed rates as prior (Gelman et al., Bayesian
 * Data Analysis, section 2.6). How far assumed rates are to be trusted is itself learned: the shape of the prior is the
 * likeliest one under all counts together (negative binomial).
 * @param assumed by key, relative or per machine and year
 * @param cases by key; what was never seen may be missing
 * @param years machine years that were watched
 * @param level `learned`: only the proportions are assumed, and how often anything happens at all follows the count
 */
export function learnRates(
  assumed: ReadonlyMap<string, number>,
  cases: ReadonlyMap<string, number>,
  years: number,
  level: 'learned' | 'as-assumed' = 'learned',
): ReadonlyMap<string, LearnedRate> {
  const total = sum(assumed.values());
  const counted = sum([...assumed.keys()].map((key) => cases.get(key) ?? 0));
  const scale = level === 'as-assumed' || years <= 0 || counted === 0 ? 1 : counted / years / total;
  const lines = [...assumed].map(([key, a]) => ({ key, assumed: a * scale, cases: cases.get(key) ?? 0 }));
  const shape = likeliestShape(
    lines.filter((l) => l.assumed > 0).map((l) => ({ of: l.cases, mean: l.assumed * years })),
  );
  return new Map(
    lines.map(({ key, assumed: mean, cases: n }): [string, LearnedRate] => {
      if (mean <= 0) return [key, { assumed: mean, cases: n, rate: 0, low: 0, high: 0 }];
      const rate = { shape: shape + n, perYear: shape / mean + years };
      const at = (share: number): number => jStat.gamma.inv(share, rate.shape, 1 / rate.perYear);
      return [key, { assumed: mean, cases: n, rate: rate.shape / rate.perYear, low: at(LOW), high: at(HIGH) }];
    }),
  );
}

/** The shape under which some counts are likeliest, each with what was to be expected. */
function likeliestShape(counts: readonly { readonly of: number; readonly mean: number }[]): number {
  let best = { shape: USUAL_SHAPE, log: -Infinity };
  for (const shape of SHAPES) {
    const before = -(Math.log(shape / USUAL_SHAPE) ** 2) / (2 * SHAPE_SPREAD ** 2);
    const log = counts.reduce((at, { of, mean }) => at + negativeBinomial(of, mean, shape), before);
    if (log > best.log) best = { shape, log };
  }
  return best.shape;
}

/** Log likelihood of a count whose rate is gamma, but for what does not depend on the shape. */
const negativeBinomial = (n: number, mean: number, shape: number): number =>
  jStat.gammaln(shape + n) -
  jStat.gammaln(shape) +
  shape * Math.log(shape / (shape + mean)) +
  n * Math.log(mean / (shape + mean));

export const sum = (numbers: Iterable<number>): number => {
  let total = 0;
  for (const n of numbers) total += n;
  return total;
};
