import type { Engine } from '../../diagnosis';
import type { Hypothesis } from '../../inference';
import { findNet } from '../../profile';
import { CircuitStates, NORMAL_SETUP, run } from '../../simulation';
import { type Bin, binned, coarser, grid, type Window } from './bins';
import { type Curve, curveOf, drawnIn, fits } from './curves';
import { type CutStep, cutSteps } from './cut';
import type { LogColumn, MeterLog } from './meter-log';
import { type Parting, partingOf } from './parting';

/** Where a channel hung. */
export interface Channel {
  readonly red: string;
  readonly black: string;
  readonly column: LogColumn;
}

/** Corners of a curve: seconds since the call, volts. */
type Corners = readonly { readonly at: number; readonly volts: number }[];

/** A window of the log, channel by channel: what was logged, and what a sound one and the likeliest suspect show. */
export interface LogDrawing extends Window {
  readonly channels: readonly {
    readonly logged: readonly Bin[];
    readonly sound: Corners;
    readonly likeliest: Corners;
  }[];
}

/** A log beside the model. */
export interface LogReading {
  /** Second of the log at which heat is called for. */
  readonly called: number;
  readonly steps: readonly CutStep[];
  readonly parting: Parting | undefined;
  /** How well each suspect draws this log: shares that add up to one, the likeliest first. */
  readonly suspects: readonly { readonly id: string; readonly words: string; readonly share: number }[];
  /** What draws it best of all that is broken; nothing, where a sound one draws it. */
  readonly likeliest: string | undefined;
  /** The whole log, and the stretch around where they part. */
  readonly whole: LogDrawing;
  readonly close: LogDrawing | undefined;
}

/** Around where they part so many seconds are drawn. */
const AROUND = { before: 10, after: 15 };
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
  const bins = channels.map((c) => c.bins);
  const steps = cutSteps(model, sound.trace, bins, sound.curves, called);
  const parting = partingOf(bins, sound.curves, called, steps);
  const likeliest = parting && weighed.find(({ h }) => h.kind !== 'healthy');
  const shares = new Map<string, { words: string; share: number }>();
  for (const { h, weight } of weighed) {
    const before = shares.get(h.family ?? h.id);
    const share = Math.exp(weight - top) / total;
    shares.set(h.family ?? h.id, { words: before?.words ?? h.words, share: share + (before?.share ?? 0) });
  }
  const draw = (window: Window): LogDrawing => ({
    ...window,
    channels: bins.map((all, i) => ({
      logged: coarser(all, { from: window.from + called, to: window.to + called }).map((b) => ({
        ...b,
        at: b.at - called,
      })),
      sound: drawnIn(sound.curves[i]!, window),
      likeliest: likeliest ? drawnIn(likeliest.curves[i]!, window) : [],
    })),
  });
  return {
    called,
    steps,
    parting,
    suspects: [...shares]
      .map(([id, { words, share }]) => ({ id, words, share }))
      .sort((a, b) => b.share - a.share)
      .slice(0, 6),
    likeliest: likeliest && shares.get(likeliest.h.family ?? likeliest.h.id)!.words,
    whole: draw({ from: bins[0]![0]!.at - called, to: last - called }),
    close: parting && draw({ from: parting.at - AROUND.before, to: parting.at + AROUND.after }),
  };
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
