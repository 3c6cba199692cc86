import { measureVolts } from '../../circuit';
import type { Engine } from '../../diagnosis';
import type { Hypothesis } from '../../inference';
import { findNet, type Model } from '../../profile';
import { CircuitStates, NORMAL_SETUP, run, type Trace } from '../../simulation';
import type { LogColumn, MeterLog } from './meter-log';

/** Where a channel hung. */
export interface Channel {
  readonly red: string;
  readonly black: string;
  readonly column: LogColumn;
}

/** A stretch of a channel: what it showed there. */
export interface Bin {
  readonly at: number;
  readonly low: number;
  readonly high: number;
  readonly mean: number;
}

/** A step of the sequence, cut from the log. */
interface CutStep {
  readonly phase: string;
  readonly title: string;
  /** Seconds since the heat call in which a sound one does it. */
  readonly at: number;
}

/** Where the log leaves the sound appliance. */
interface Parting {
  /** Seconds since the heat call. */
  readonly at: number;
  readonly channel: number;
  /** What it showed in the seconds from there, volts. */
  readonly low: number;
  readonly high: number;
  /** What a sound one shows there. */
  readonly sound: number;
  /** The step that ran. */
  readonly phase: string;
}

/** A log beside the model. */
export interface LogReading {
  /** Second of the log at which heat is called for. */
  readonly called: number;
  readonly steps: readonly CutStep[];
  readonly parting: Parting | undefined;
  /** How well each suspect draws this log: shares that add up to one, the likeliest first. */
  readonly suspects: readonly { readonly id: string; readonly words: string; readonly share: number }[];
  /** For each channel: what was logged, and what a sound one and the likeliest suspect show; seconds since the call. */
  readonly drawn: readonly {
    readonly logged: readonly Bin[];
    readonly sound: readonly (readonly [number, number])[];
    readonly likeliest: readonly (readonly [number, number])[];
  }[];
}

/** As finely as a log is compared, seconds; longer logs are compared in so many stretches. */
const FINEST = 0.1;
const MOST_BINS = 3000;
/** Half-width of what a sound channel may differ by: a share of it, and volts. */
const SHARE = 0.06;
const VOLTS = 0.8;
/** Parts take their own time: a step may come so much earlier or later, seconds and share of the time since the call. */
const LATE = { seconds: 1.5, share: 0.12 };
/** It parts only where it stays away for so long, seconds. */
const PARTS_FOR = 0.4;
/** After parting it is watched for so long, seconds. */
const WATCHED = 3;
/** One stretch between two edges counts as one reading, however many rows it has; a stretch that fits in no way counts so much. */
const WORST = -6;
/** The candidates for the heat call: the start, and the edges of a channel. */
const EDGE = 0.3;

/**
 * Lays a log beside the model: finds the heat call, cuts it into steps, says where it leaves a sound appliance, and how well each
 * single fault draws it.
 * @throws RangeError where a channel hangs on a point that the appliance has not, or nothing was logged
 */
export function readAgainst(engine: Engine, log: MeterLog, hung: readonly Channel[]): LogReading {
  const { model } = engine;
  const channels = hung.map(({ red, black, column }) => {
    const [r, b] = [findNet(model, red), findNet(model, black)];
    if (r < 0 || b < 0 || r === b) throw new RangeError(`There is no ${red} to ${black} on this appliance.`);
    return { r, b, bins: binned(log.time, column.values) };
  });
  if (channels.length === 0) throw new RangeError('Say at least for one channel where it hung.');
  const states = new CircuitStates(model);
  const { wide, last } = grid(log.time);
  const drawnBy = (h: Hypothesis) => {
    const trace = run(states, h.faults, NORMAL_SETUP);
    return { h, trace, curves: channels.map(({ r, b }) => curveOf(trace, r, b, wide, last)) };
  };
  const known = engine.hypotheses.filter((h) => h.kind === 'healthy' || (h.kind === 'fault' && h.occurs === 1));
  const all = known.map(drawnBy);
  const sound = all.find(({ h }) => h.kind === 'healthy')!;
  // Heat is called where the best of them fits best.
  const fitAt = (curves: readonly Curve[], called: number): number =>
    channels.reduce((sum, c, i) => sum + fits(c.bins, curves[i]!, called), 0);
  const called = candidates(channels.map((c) => c.bins))
    .map((at) => ({ at, reach: Math.max(...all.map(({ curves }) => fitAt(curves, at))) }))
    .reduce((best, c) => (c.reach > best.reach ? c : best)).at;
  const weighed = all
    .map((d) => ({ ...d, weight: Math.log(Math.max(1e-9, d.h.prior)) + fitAt(d.curves, called) }))
    .sort((a, b) => b.weight - a.weight);
  const top = weighed[0]!.weight;
  const total = weighed.reduce((sum, w) => sum + Math.exp(w.weight - top), 0);
  const steps = stepsOf(model, sound.trace);
  const shares = new Map<string, { words: string; share: number }>();
  for (const { h, weight } of weighed) {
    const before = shares.get(h.family ?? h.id);
    const share = Math.exp(weight - top) / total;
    shares.set(h.family ?? h.id, { words: before?.words ?? h.words, share: share + (before?.share ?? 0) });
  }
  return {
    called,
    steps,
    parting: partingOf(
      channels.map((c) => c.bins),
      sound.curves,
      called,
      steps,
    ),
    suspects: [...shares]
      .map(([id, { words, share }]) => ({ id, words, share }))
      .sort((a, b) => b.share - a.share)
      .slice(0, 6),
    drawn: channels.map((c, i) => ({
      logged: coarser(c.bins).map((bin) => ({ ...bin, at: bin.at - called })),
      sound: sound.curves[i]!.steps,
      likeliest: weighed[0]!.curves[i]!.steps,
    })),
  };
}

/** So many stretches are drawn. */
const MOST_DRAWN = 300;

/** Neighbouring stretches as one: their least and most stay. */
function coarser(bins: readonly Bin[]): readonly Bin[] {
  const each = Math.ceil(bins.length / MOST_DRAWN);
  if (each === 1) return bins;
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

/** So many channels a logging meter has. */
const CHANNELS = 3;
/** A channel that tells less of what is open is not worth its clip. */
const WORTH = 0.03;
/** A try is logged so long, seconds. */
const LOGGED = 300;

/**
 * Where to hang a logger on a fault that comes and goes: the points whose course over a try tells most of the suspects apart.
 * @param among suspects with their shares
 */
export function whereToHang(
  engine: Engine,
  among: readonly { readonly hypothesis: Hypothesis; readonly share: number }[],
): { readonly red: string; readonly black: string; readonly tells: number }[] {
  const { model } = engine;
  const states = new CircuitStates(model);
  const healthy = engine.hypotheses.find((h) => h.kind === 'healthy')!;
  // When it is away it is sound.
  const worlds = [{ hypothesis: healthy, share: Math.max(...among.map((a) => a.share), 0.1) }, ...among];
  const traces = worlds.map(({ hypothesis }) => run(states, hypothesis.faults, NORMAL_SETUP));
  const points = model.points
    .filter((p) => p.black !== p.net)
    .map((p) => ({ p, curves: traces.map((t) => curveOf(t, p.net, p.black, 1, LOGGED)) }));
  const open = new Map<string, number>();
  worlds.forEach((a, i) => worlds.slice(i + 1).forEach((b, j) => open.set(`${i} ${i + 1 + j}`, a.share * b.share)));
  const all = [...open.values()].reduce((sum, w) => sum + w, 0) || 1;
  const chosen: { red: string; black: string; tells: number }[] = [];
  while (chosen.length < CHANNELS) {
    const best = points
      .map(({ p, curves }) => {
        const told = [...open.keys()].filter((key) => {
          const [i, j] = key.split(' ').map(Number) as [number, number];
          return differ(curves[i]!, curves[j]!);
        });
        return { p, told, tells: told.reduce((sum, key) => sum + open.get(key)!, 0) / all };
      })
      .reduce((a, b) => (weighs(b) > weighs(a) ? b : a));
    if (best.tells < WORTH) break;
    for (const key of best.told) open.delete(key);
    chosen.push({ red: model.nets[best.p.net]!, black: model.nets[best.p.black]!, tells: best.tells });
  }
  return chosen;
}

/** Line voltage is left to where nothing else tells as much. */
const weighs = ({ p, tells }: { readonly p: { readonly line: boolean }; readonly tells: number }): number =>
  p.line ? 0.8 * tells : tells;

/** Whether two courses part, however late parts may be, for three seconds. */
function differ(a: Curve, b: Curve): boolean {
  let apart = 0;
  for (let i = 0; i < a.values.length; i++) {
    const off = a.lows[i]! > b.highs[i]! + width(b.highs[i]!) || b.lows[i]! > a.highs[i]! + width(a.highs[i]!);
    apart = off ? apart + 1 : 0;
    if (apart >= WATCHED) return true;
  }
  return false;
}

/** Volts over a run: each value from its second on, what repeats afterwards, and what may be seen in each stretch. */
interface Curve {
  readonly steps: readonly (readonly [number, number])[];
  readonly cycle: { readonly from: number; readonly length: number } | undefined;
  /** Length of a stretch, seconds; least, most and usual volts in each, as early or late as parts may be. */
  readonly wide: number;
  readonly lows: Float64Array;
  readonly highs: Float64Array;
  readonly values: Float64Array;
}

function curveOf(trace: Trace, red: number, black: number, wide: number, last: number): Curve {
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

const folded = (cycle: Curve['cycle'], at: number): number =>
  cycle && at > cycle.from + cycle.length ? cycle.from + ((at - cycle.from) % cycle.length) : at;

function valueAt(steps: Curve['steps'], at: number): number {
  let value = 0;
  for (const [t, v] of steps) {
    if (t > at) break;
    value = v;
  }
  return value;
}

const width = (volts: number): number => SHARE * volts + VOLTS;

/** How a channel sits with a curve: every value that the curve goes through counts once, however long it stands. */
function fits(bins: readonly Bin[], { wide, lows, highs, values }: Curve, called: number): number {
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
/** What is off in a third of a stretch speaks against it as much as what is off in all of it. */
const SHARP = 3;

/** The first moment from which the log stays away from a sound appliance. */
function partingOf(
  channels: readonly (readonly Bin[])[],
  sound: readonly Curve[],
  called: number,
  steps: readonly CutStep[],
): Parting | undefined {
  const found = channels.flatMap((bins, channel): Parting[] => {
    const apart = (bin: Bin): boolean => {
      const { wide, lows, highs } = sound[channel]!;
      const i = Math.round((bin.at - called) / wide);
      const [low, high] = [lows[i]!, highs[i]!];
      return bin.low < low - width(low) || bin.high > high + width(high);
    };
    for (const [i, bin] of bins.entries()) {
      const at = bin.at - called;
      if (at < 0 || !apart(bin)) continue;
      const stays = bins.slice(i).filter((b) => b.at <= bin.at + PARTS_FOR);
      if (!stays.every(apart)) continue;
      const after = bins.slice(i).filter((b) => b.at <= bin.at + WATCHED);
      return [
        {
          at,
          channel,
          low: Math.min(...after.map((b) => b.low)),
          high: Math.max(...after.map((b) => b.high)),
          sound: valueAt(sound[channel]!.steps, folded(sound[channel]!.cycle, at)),
          phase: steps.findLast((s) => s.at <= at + LATE.seconds)?.phase ?? steps[0]!.phase,
        },
      ];
    }
    return [];
  });
  return found.sort((a, b) => a.at - b.at)[0];
}

const stepsOf = (model: Model, trace: Trace): CutStep[] =>
  model.phases
    .flatMap(({ id, title, unwanted }, i) => {
      const [first] = trace.cues[i] ?? [];
      return unwanted || !first ? [] : [{ phase: id, title, at: first.from / 1000 }];
    })
    .sort((a, b) => a.at - b.at);

/** How finely a log is compared, and how long it is; seconds. */
function grid(time: Float64Array): { readonly wide: number; readonly last: number } {
  const last = time[time.length - 1] ?? 0;
  return { wide: Math.max(FINEST, last / MOST_BINS), last };
}

/** A channel in stretches: mean, least and most of each. */
function binned(time: Float64Array, values: Float64Array): Bin[] {
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

/** The start of the log, and every moment at which a channel jumps; the first few. */
function candidates(channels: readonly (readonly Bin[])[]): number[] {
  const found = new Set([channels[0]![0]!.at]);
  for (const bins of channels) {
    const most = Math.max(...bins.map((b) => b.high));
    for (let i = 1; i < bins.length && found.size < MOST_CALLS; i++)
      if (bins[i]!.mean - bins[i - 1]!.mean > EDGE * most) found.add(bins[i - 1]!.at);
  }
  return [...found];
}
const MOST_CALLS = 6;
