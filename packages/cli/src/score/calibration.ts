/** One stated probability, whether it came true, and how much it counts. */
export interface Weighed {
  readonly stated: number;
  readonly right: boolean;
  readonly weight: number;
}

const BINS = 10;

/**
 * Expected calibration error: in ten equal bins of stated probability, the gap between the mean statement and the share
 * that came true, weighted by how much falls into the bin.
 */
export function calibrationError(statements: readonly Weighed[]): number {
  const bins = Array.from({ length: BINS }, () => ({ weight: 0, stated: 0, right: 0 }));
  for (const { stated, right, weight } of statements) {
    const bin = bins[Math.min(BINS - 1, Math.floor(stated * BINS))]!;
    bin.weight += weight;
    bin.stated += weight * stated;
    if (right) bin.right += weight;
  }
  const total = bins.reduce((sum, b) => sum + b.weight, 0);
  return bins.reduce((sum, b) => sum + Math.abs(b.stated - b.right), 0) / total;
}
