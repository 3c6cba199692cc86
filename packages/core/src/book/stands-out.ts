import jStat from 'jstat';

/** Fewer cases are no series. */
const FEWEST = 5;

/**
 * Whether something happens so much oftener than it would be expected to that chance hardly explains it: even the least rate that so
 * many cases leave open, nineteen in twenty, is higher (the exact interval of a Poisson count, F. Garwood, Biometrika 28, 1936).
 */
export const standsOut = (cases: number, expected: number): boolean =>
  cases >= FEWEST && expected > 0 && jStat.gamma.inv(0.05, cases, 1) > expected;
