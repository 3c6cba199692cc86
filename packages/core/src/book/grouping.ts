/** Below so many cases what was assumed still weighs. */
export const FEW_CASES = 10;

/** Ages of machines that are counted together, years, from and below. */
export const AGES = [
  { id: '0-5', from: 0, below: 5 },
  { id: '5-10', from: 5, below: 10 },
  { id: '10-15', from: 10, below: 15 },
  { id: '15+', from: 15, below: Infinity },
] as const;

/** Which of them an age belongs to; nothing where it is not known. */
export const ageOf = (years: number | undefined): string | undefined =>
  years === undefined ? undefined : AGES.find(({ from, below }) => years >= from && years < below)?.id;
