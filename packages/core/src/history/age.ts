/**
 * How old a machine was at a moment, years.
 * @param made the year on its plate, as it was written down
 * @returns nothing where nobody wrote one down; a machine of next year's is new
 */
export function ageAt(made: string | undefined, at: Date): number | undefined {
  const year = made === undefined || made.trim() === '' ? NaN : Number(made);
  return Number.isFinite(year) ? Math.max(0, at.getFullYear() - year) : undefined;
}
