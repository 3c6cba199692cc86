/** Two-sided standard normal quantile for 95 %. */
const Z = 1.959964;

/**
 * Wilson's interval for a share of independent cases, 95 %: where the true share lies, given so many of so many (E. B. Wilson,
 * Journal of the American Statistical Association 22, 1927). Nothing of nothing may be anything.
 */
export function wilson(hits: number, cases: number): readonly [number, number] {
  if (cases === 0) return [0, 1];
  const share = hits / cases;
  const z2 = (Z * Z) / cases;
  const middle = (share + z2 / 2) / (1 + z2);
  const half = (Z / (1 + z2)) * Math.sqrt((share * (1 - share)) / cases + z2 / (4 * cases));
  return [Math.max(0, middle - half), Math.min(1, middle + half)];
}
