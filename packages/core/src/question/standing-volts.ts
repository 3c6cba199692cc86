import { measureVolts, type MeterInput } from '../circuit';
import type { Model, NetIndex } from '../profile';
import type { Interval, Trace } from '../simulation';
import { lasting, METER_SETTLES } from './observed-stretch';
import type { Prediction } from './prediction';
import { levelOf } from './volts-range';

/** How much longer than its record the last state of a run is there to be read, milliseconds. */
const STANDS = 600_000;
/** What stands this long is read as steady by whoever comes meanwhile, milliseconds. */
const READ_AS_STEADY = 3000;
/** A part of the time smaller than this is not worth expecting. */
const LEAST_SHARE = 0.1;
/** Differences below this on the display count as steady, volts, and as a share of the value. */
const STEADY_WITHIN = 0.6;
const STEADY_MILLIVOLTS = 0.002;
const STEADY_SHARE = 0.04;
/** What flickers fast is read as the value that stands for this share of the time, or as unsteady. */
const MAINLY = 0.6;

/** Where the probes are, and what the meter loads them with. */
interface Probes {
  readonly red: NetIndex;
  readonly black: NetIndex;
  readonly input: MeterInput;
}

/** A voltage that stands for a while. */
interface Stand {
  readonly volts: number;
  weight: number;
}

/** What a voltmeter shows over a stretch of a trace: the value of its longest part, or the wandering between extremes. */
export function voltsIn(model: Model, trace: Trace, q: Probes, window: Interval, absent: boolean): Prediction {
  let from = window.from;
  let to = window.to;
  const brief = to - from < METER_SETTLES && trace.resets.some((at) => at >= from - 1 && at <= to + METER_SETTLES);
  if (brief) {
    from -= 100;
    to += METER_SETTLES;
  }
  // Let the first moments pass: the display is still moving.
  else if (to - from > 2 * METER_SETTLES) from += METER_SETTLES;
  const { stands, ghosts, total } = standsIn(trace, q, from, to);
  if (total === 0 || ghosts > total / 2) return { kind: 'ghost', absent };
  if (stands.length === 1) return { kind: 'volts', volts: stands[0]!.volts, absent };
  const high = Math.max(...stands.map((s) => s.volts));
  const within = Math.max(levelOf(model, q) === 'millivolt' ? STEADY_MILLIVOLTS : STEADY_WITHIN, STEADY_SHARE * high);
  const steady = merged(stands, within);
  const main = longest(steady, stands, within);
  const value = main.at.volts;
  const others = steady.filter((s) => Math.abs(s.volts - value) > within);
  if (others.length === 0) return { kind: 'volts', volts: value, absent };
  const shorter = longest(others, stands, within);
  if (!brief && [main, shorter].every(({ weight, times }) => weight / times >= READ_AS_STEADY)) {
    const share = shorter.weight / total;
    if (share < LEAST_SHARE) return { kind: 'volts', volts: value, absent };
    return { kind: 'volts', volts: value, absent, shorter: { value: shorter.at.volts, share } };
  }
  if (brief || main.weight < MAINLY * total)
    return { kind: 'unsteady', low: Math.min(...stands.map((s) => s.volts)), high, absent };
  return { kind: 'volts', volts: value, absent };
}

/** The voltages that stand between two moments, in their order, and how long nothing joins the probes; milliseconds. */
function standsIn(
  trace: Trace,
  q: Probes,
  from: number,
  to: number,
): { readonly stands: readonly Stand[]; readonly ghosts: number; readonly total: number } {
  const endless = lasting(trace).from === trace.end;
  const stands: Stand[] = [];
  let ghosts = 0;
  let total = 0;
  for (const stretch of trace.circuits) {
    if (stretch.to < from || stretch.from > to) continue;
    // What stands at the end of a run stands for as long as anybody cares to look.
    const lasts = endless && stretch.to === trace.end && to >= trace.end;
    const weight = Math.max(1, Math.min(stretch.to, to) - Math.max(stretch.from, from)) + (lasts ? STANDS : 0);
    const measured = measureVolts(stretch.circuit.solution, q.red, q.black, q.input);
    total += weight;
    if (measured.kind === 'ghost') ghosts += weight;
    else {
      const before = stands[stands.length - 1];
      if (before?.volts === measured.volts) before.weight += weight;
      else stands.push({ volts: measured.volts, weight });
    }
  }
  return { stands, ghosts, total };
}

/** Neighbouring stretches that a meter would not tell apart are one. */
function merged(stands: readonly Stand[], within: number): Stand[] {
  const found: Stand[] = [];
  for (const stand of stands) {
    const before = found[found.length - 1];
    if (before && Math.abs(before.volts - stand.volts) <= within) before.weight += stand.weight;
    else found.push({ ...stand });
  }
  return found;
}

/** Of some values the one that stands longest in all, how long it does, and how many times it comes. */
function longest(
  values: readonly Stand[],
  stands: readonly Stand[],
  within: number,
): { readonly at: Stand; readonly weight: number; readonly times: number } {
  const near = (of: readonly Stand[], { volts }: Stand): Stand[] =>
    of.filter((s) => Math.abs(s.volts - volts) <= within);
  let best = { at: values[0]!, weight: 0, times: 1 };
  for (const at of values) {
    const weight = near(stands, at).reduce((sum, s) => sum + s.weight, 0);
    if (weight > best.weight) best = { at, weight, times: near(values, at).length };
  }
  return best;
}
