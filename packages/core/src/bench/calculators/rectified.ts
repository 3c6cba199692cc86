/** What a meter shows of a sine, rectified or not, as a share of its RMS volts ahead of the bridge, by its function; less a bridge drop of 1.4 V. */
export const RECTIFIED = {
  full: {
    direct: (2 * Math.SQRT2) / Math.PI,
    trueRms: Math.sqrt(1 - 8 / Math.PI ** 2),
    averaging: averaging(fullWave, (2 * Math.SQRT2) / Math.PI),
    both: 1,
  },
  half: {
    direct: Math.SQRT2 / Math.PI,
    trueRms: Math.sqrt(1 / 2 - 2 / Math.PI ** 2),
    averaging: averaging(halfWave, Math.SQRT2 / Math.PI),
    both: Math.SQRT1_2,
  },
  sine: { direct: 0, trueRms: 1, averaging: 1, both: 1 },
} as const;

function fullWave(angle: number): number {
  return Math.SQRT2 * Math.abs(Math.sin(angle));
}

function halfWave(angle: number): number {
  return Math.SQRT2 * Math.max(0, Math.sin(angle));
}

/** What an average-responding meter shows of a wave that swings about its mean: the mean of its size, times the form factor of a sine. */
function averaging(wave: (angle: number) => number, mean: number): number {
  const steps = 20_000;
  let sum = 0;
  for (let i = 0; i < steps; i++) sum += Math.abs(wave(((i + 0.5) / steps) * 2 * Math.PI) - mean);
  return (sum / steps) * (Math.PI / (2 * Math.SQRT2));
}
