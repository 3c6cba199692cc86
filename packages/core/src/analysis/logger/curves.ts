import { measureVolts } from '../../circuit';
import type { Trace } from '../../simulation';
import type { Bin, Window } from './bins';

/** Half-width of what a sound channel may differ by: a share of it, and volts. */
const SHARE = 0.06;
const VOLTS = 0.8;
/** Parts take their own time: a step may come so much earlier or later, seconds and share of the time since the call. */
export const LATE = { seconds: 1.5, share: 0.12 };
/** One stretch between two edges counts as one reading, however many rows it has; a stretch that fits in no way counts so much. */
const WORST = -6;
/** What stays away for so long is looked at as one, seconds. */
export const WATCHED = 3;
/** A drawing has no more corners of a curve. */
const MOST_CORNERS = 1200;
/** What is off in a third of a stretch speaks against it as much as what is off in all of it. */
const SHARP = 3;

/** Volts over a run: each value from its second on, what repeats afterwards, and what may be seen in each stretch. */
export interface Curve {
  readonly steps: readonly (readonly [number, number])[];
  readonly cycle: { readonly from: number; readonly length: number } | undefined;
  /** Length of a stretch, seconds; least, most and usual volts in each, as early or late as parts may be. */
  readonly wide: number;
  readonly lows: Float64Array;
  readonly highs: Float64Array;
  readonly values: Float64Array;
}

export function curveOf(trace: Trace, red: number, black: number, wide: number, last: number): Curve {
  const steps: (readonly [number, number])[] = [];
  for (const { from, circuit } of trace.circuits) {
    const m = measureVolts(circuit.solution, red, black, 'high-impedance');
    const volts = m.kind === 'volts' ? Math.abs(m.volts) : 0;
    if (steps.at(-1)?.[1] !== volts) steps.push([from / 1000, volts]);
  }
  const { cycle: again } = trace;
  const cycle = again && { from: again.from / 1000, length: again.length / 1000 };
  const n = Math.ceil(last / wide) + 1;
  const [lows, highs, values] = [new Float64Array(n), new Float64Array(n), new Float64Array(n)];
  for (let i = 0; i < n; i++) {
    [lows[i], highs[i]] = near(steps, cycle, i * wide);
    values[i] = valueAt(steps, folded(cycle, i * wide));
  }
  return { steps, cycle, wide, lows, highs, values };
}

/** Values that a curve may show at a second: what stands there, and what comes a little earlier or later. */
function near(steps: Curve['steps'], cycle: Curve['cycle'], at: number): readonly [number, number] {
  const slack = LATE.seconds + LATE.share * Math.max(0, at);
  const [from, to] = [folded(cycle, at - slack), folded(cycle, at + slack)];
  const here = valueAt(steps, folded(cycle, at));
  // Where it begins anew within the slack, anything of its cycle may be seen.
  const whole = from > to;
  let [low, high] = [here, here];
  for (const [i, [t, v]] of steps.entries()) {
    const ends = steps[i + 1]?.[0] ?? Infinity;
    if (whole ? cycle !== undefined && ends >= cycle.from : t <= to && ends >= from) {
      low = Math.min(low, v);
      high = Math.max(high, v);
    }
  }
  return [low, high];
}

export const folded = (cycle: Curve['cycle'], at: number): number =>
  cycle && at > cycle.from + cycle.length ? cycle.from + ((at - cycle.from) % cycle.length) : at;

export function valueAt(steps: Curve['steps'], at: number): number {
  let value = 0;
  for (const [t, v] of steps) {
    if (t > at) break;
    value = v;
  }
  return value;
}

export const width = (volts: number): number => SHARE * volts + VOLTS;

/** How a channel sits with a curve: every value that the curve goes through counts once, however long it stands. */
export function fits(bins: readonly Bin[], { wide, lows, highs, values }: Curve, called: number): number {
  const stretches = new Map<number, { sum: number; n: number }>();
  for (const bin of bins) {
    const i = Math.round((bin.at - called) / wide);
    if (i < 0) continue;
    const [low, high] = [lows[i]!, highs[i]!];
    const off = Math.max(0, (low - bin.low) / width(low), (bin.high - high) / width(high));
    const mark = Math.round(values[i]!);
    const stretch = stretches.get(mark) ?? { sum: 0, n: 0 };
    // The width is two standard deviations.
    stretch.sum += Math.max(WORST, -2 * off ** 2);
    stretch.n += 1;
    stretches.set(mark, stretch);
  }
  let total = 0;
  for (const { sum, n } of stretches.values()) total += Math.max(WORST, SHARP * (sum / n));
  return total;
}

/** Each value until the next one, over a window of seconds from the call; what repeats is unrolled, to so many corners. */
export function drawnIn({ steps, cycle }: Curve, window: Window): { readonly at: number; readonly volts: number }[] {
  const [from, to] = [Math.max(0, window.from), window.to];
  const corners: { at: number; volts: number }[] = [{ at: from, volts: valueAt(steps, folded(cycle, from)) }];
  const stand = (at: number, volts: number): void => {
    if (at <= from || at > to) return;
    corners.push({ at, volts: corners.at(-1)!.volts }, { at, volts });
  };
  for (const [at, volts] of steps) if (!cycle || at < cycle.from + cycle.length) stand(at, volts);
  if (cycle)
    for (let n = 1; cycle.from + n * cycle.length <= to && corners.length < MOST_CORNERS; n++)
      for (const [at, volts] of steps)
        if (at >= cycle.from && at < cycle.from + cycle.length) stand(at + n * cycle.length, volts);
  return [...corners, { at: to, volts: corners.at(-1)!.volts }];
}
