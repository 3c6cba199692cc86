import jStat from 'jstat';

/** A share of some cases, and where the true one lies, nine in ten. */
export interface Share {
  readonly of: number;
  readonly right: number;
  readonly share: number;
  readonly low: number;
  readonly high: number;
}

/**
 * A share with an interval that stays honest for small numbers: that of Jeffreys (L. D. Brown, T. T. Cai and A. DasGupta, Statistical
 * Science 16, 2001, section 3.2). Nothing of nothing may be anything.
 */
export function shareOf(right: number, of: number): Share {
  if (of <= 0) return { of: 0, right: 0, share: 0, low: 0, high: 1 };
  const at = (p: number): number => jStat.beta.inv(p, right + 0.5, of - right + 0.5);
  return { of, right, share: right / of, low: right <= 0 ? 0 : at(0.05), high: right >= of ? 1 : at(0.95) };
}
