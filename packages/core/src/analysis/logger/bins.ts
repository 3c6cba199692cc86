/** A stretch of a channel: what it showed there. */
export interface Bin {
  readonly at: number;
  readonly low: number;
  readonly high: number;
  readonly mean: number;
}

/** As finely as a log is compared, seconds; longer logs are compared in so many stretches. */
const FINEST = 0.1;
const MOST_BINS = 3000;

/** How finely a log is compared, and how long it is; seconds. */
export function grid(time: Float64Array): { readonly wide: number; readonly last: number } {
  const last = time[time.length - 1] ?? 0;
  return { wide: Math.max(FINEST, last / MOST_BINS), last };
}

/** A channel in stretches: mean, least and most of each. */
export function binned(time: Float64Array, values: Float64Array): Bin[] {
  const { wide } = grid(time);
  const bins: { at: number; low: number; high: number; sum: number; n: number }[] = [];
  for (let i = 0; i < time.length; i++) {
    const v = Math.abs(values[i]!);
    if (Number.isNaN(v)) continue;
    const at = Math.floor(time[i]! / wide + 1e-9) * wide;
    const bin = bins.at(-1);
    if (bin && bin.at === at) {
      bin.low = Math.min(bin.low, v);
      bin.high = Math.max(bin.high, v);
      bin.sum += v;
      bin.n += 1;
    } else bins.push({ at, low: v, high: v, sum: v, n: 1 });
  }
  if (bins.length === 0) throw new RangeError('Nothing was logged on this channel: choose another column.');
  return bins.map(({ at, low, high, sum, n }) => ({ at, low, high, mean: sum / n }));
}

/** So many stretches are drawn. */
const MOST_DRAWN = 300;

/** A window of seconds. */
export interface Window {
  readonly from: number;
  readonly to: number;
}

/** The stretches of a window, neighbours as one where they are many: their least and most stay. */
export function coarser(all: readonly Bin[], { from, to }: Window): readonly Bin[] {
  const bins = all.filter((b) => b.at >= from && b.at <= to);
  const each = Math.ceil(bins.length / MOST_DRAWN);
  if (each <= 1) return bins;
  return Array.from({ length: Math.ceil(bins.length / each) }, (_, i) => {
    const some = bins.slice(i * each, (i + 1) * each);
    return {
      at: some[0]!.at,
      low: Math.min(...some.map((b) => b.low)),
      high: Math.max(...some.map((b) => b.high)),
      mean: some.reduce((sum, b) => sum + b.mean, 0) / some.length,
    };
  });
}
