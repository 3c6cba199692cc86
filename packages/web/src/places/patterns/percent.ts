/** A share as a whole number of hundredths. */
export const percent = (share: number): number => Math.round(100 * share);
