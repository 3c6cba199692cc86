import { measureVolts } from '../circuit';
import type { Model, Scope } from '../profile';
import {
  failureOf,
  type FaultRef,
  type Interval,
  OUTCOMES,
  quantityAt,
  type Segment,
  type Trace,
  voltsBetween,
} from '../simulation';
import { complainsOf } from './complaint';
import type { Question } from './observation';
import { levelOf } from './volts-range';

/** What one hypothesis says a question will answer. */
export type Prediction =
  /** Index of the answer expected. */
  | { readonly kind: 'choice'; readonly answer: number; readonly of: number }
  /**
   * A steady voltage; `absent` when the phase never comes under the hypothesis and the stuck state was taken. In a slow
   * cycle somebody may come in its shorter part, and reads that one as steadily.
   */
  | { readonly kind: 'volts'; readonly volts: number; readonly absent: boolean; readonly shorter?: ShorterPart }
  | { readonly kind: 'unsteady'; readonly low: number; readonly high: number; readonly absent: boolean }
  /** Probes not joined by the circuit: whatever couples in. */
  | { readonly kind: 'ghost'; readonly absent: boolean }
  /** Of a part that is isolated; a switch that opens and closes, in either state. */
  | { readonly kind: 'ohms'; readonly ohms: number; readonly spread: number; readonly shorter?: ShorterPart }
  | { readonly kind: 'number'; readonly value: number; readonly spread: number; readonly absent: boolean }
  /** The phase never comes: no time, no reading. */
  | { readonly kind: 'never' };

/** What stands in the shorter part of a slow cycle, in the unit of the prediction, and its share of the time. */
interface ShorterPart {
  readonly value: number;
  readonly share: number;
}

/** Whether two predictions are the same to the last digit. */
export function equal(a: Prediction, b: Prediction): boolean {
  switch (a.kind) {
    case 'choice':
      return b.kind === 'choice' && a.answer === b.answer;
    case 'volts':
      return b.kind === 'volts' && a.volts === b.volts && a.absent === b.absent && sameShorter(a.shorter, b.shorter);
    case 'unsteady':
      return b.kind === 'unsteady' && a.low === b.low && a.high === b.high && a.absent === b.absent;
    case 'ghost':
      return b.kind === 'ghost' && a.absent === b.absent;
    case 'ohms':
      return b.kind === 'ohms' && a.ohms === b.ohms && a.spread === b.spread && sameShorter(a.shorter, b.shorter);
    case 'number':
      return b.kind === 'number' && a.value === b.value && a.spread === b.spread && a.absent === b.absent;
    case 'never':
      return b.kind === 'never';
  }
}

const sameShorter = (a: ShorterPart | undefined, b: ShorterPart | undefined): boolean =>
  a?.value === b?.value && a?.share === b?.share;

/** A display needs this long to settle; shorter stretches read as unsteady, milliseconds. */
export const METER_SETTLES = 500;
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

/** Beyond what a hand-held meter reads, OL and a huge value are the same. */
export const readsOpen = (ohms: number): boolean => ohms > 5e6;

/** OutcomeClasses of a question by index, as ids. */
export function answersOf(model: Model, question: Question): readonly string[] {
  switch (question.kind) {
    case 'seen':
      return ['no', 'yes'];
    case 'outcome':
      return OUTCOMES;
    case 'code':
      return [...model.codes.map((c) => c.id), 'none', 'dark'];
    case 'look':
      return model.looks[question.look]!.answers.map((a) => a.id);
    case 'told':
      return ['no', 'yes'];
    default:
      return [];
  }
}

/** Predicts the answer of a question under one hypothesis, from its trace and its active faults. */
export function predict(model: Model, trace: Trace, faults: readonly FaultRef[], question: Question): Prediction {
  switch (question.kind) {
    case 'seen': {
      const cues = trace.cues[question.phase]!;
      const seen = question.attempt === undefined ? cues.length > 0 : inAttempt(model, trace, cues, question.attempt);
      return { kind: 'choice', answer: seen ? 1 : 0, of: 2 };
    }
    case 'outcome':
      return { kind: 'choice', answer: OUTCOMES.indexOf(trace.outcome), of: OUTCOMES.length };
    case 'code': {
      const answers = answersOf(model, question);
      return { kind: 'choice', answer: answers.indexOf(trace.code), of: answers.length };
    }
    case 'volts':
      return predictVolts(model, trace, question);
    case 'ohms':
      return predictOhms(model, trace, faults, question.part, question.branch);
    case 'gauge': {
      const gauge = model.gauges[question.gauge]!;
      const window = readable(trace.windows[gauge.phase]!);
      const quantity = model.quantities[gauge.quantity]!;
      const at = window ? (gauge.read === 'at-once' ? window.from : settledIn(window)) : trace.end;
      return {
        kind: 'number',
        value: quantityAt(trace, gauge.quantity, at),
        spread: quantity.tolerance,
        absent: window === undefined,
      };
    }
    case 'timing': {
      const first = trace.cues[question.phase]![0];
      return first ? { kind: 'number', value: first.from / 1000, spread: 0.12, absent: false } : { kind: 'never' };
    }
    case 'told':
      return { kind: 'choice', answer: complainsOf(model, trace, question.complaint) ? 1 : 0, of: 2 };
    case 'look': {
      const look = model.looks[question.look]!;
      const scope = endScope(model, trace, faults);
      const answer = look.answers.findIndex((a) => a.when.evaluate(scope) !== 0);
      return { kind: 'choice', answer, of: look.answers.length };
    }
  }
}

/** Whether a cue falls into the n-th try for ignition (1 = first): from the end of the try before to its own end. */
function inAttempt(model: Model, trace: Trace, cues: readonly Interval[], attempt: number): boolean {
  const trial = model.phases.find((p) => p.trial);
  const tries = trial ? trace.windows[trial.index]! : [];
  const own = tries[attempt - 1];
  if (!own) return false;
  const from = tries[attempt - 2]?.to ?? 0;
  return cues.some((c) => c.to > from && c.from < own.to + 1);
}

function readable(windows: readonly Interval[]): Interval | undefined {
  return windows.find((w) => w.to - w.from >= METER_SETTLES) ?? windows[0];
}

/** A gauge is read late in its window, when things have come to rest, but not hours later. */
function settledIn(window: Interval): number {
  return Math.min(
    window.to - 1,
    window.from + Math.max(METER_SETTLES, Math.min(20_000, 0.8 * (window.to - window.from))),
  );
}

type VoltsQuestion = Extract<Question, { kind: 'volts' }>;

function predictVolts(model: Model, trace: Trace, q: VoltsQuestion): Prediction {
  const window = q.phase < 0 ? undefined : readable(trace.windows[q.phase]!);
  if (window) return voltsIn(model, trace, q, window, false);
  return voltsIn(model, trace, q, lasting(trace), q.phase >= 0);
}

/** What goes on when a run was watched to its end: the cycle that repeats, or the last state. */
function lasting(trace: Trace): Interval {
  if (trace.cycle) return { from: trace.cycle.from, to: trace.end };
  return { from: trace.cut && trace.outcome === 'cycles' ? 0 : trace.end, to: trace.end };
}

/** A voltage that stands for a while. */
interface Stand {
  readonly volts: number;
  weight: number;
}

/** What a voltmeter shows over a stretch of a trace: the value of its longest part, or the wandering between extremes. */
function voltsIn(model: Model, trace: Trace, q: VoltsQuestion, window: Interval, absent: boolean): Prediction {
  let from = window.from;
  let to = window.to;
  const brief = to - from < METER_SETTLES && trace.resets.some((at) => at >= from - 1 && at <= to + METER_SETTLES);
  if (brief) {
    from -= 100;
    to += METER_SETTLES;
  }
  // Let the first moments pass: the display is still moving.
  else if (to - from > 2 * METER_SETTLES) from += METER_SETTLES;
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
  if (total === 0 || ghosts > total / 2) return { kind: 'ghost', absent };
  if (stands.length === 1) return { kind: 'volts', volts: stands[0]!.volts, absent };
  const high = Math.max(...stands.map((s) => s.volts));
  const within = Math.max(levelOf(model, q) === 'millivolt' ? STEADY_MILLIVOLTS : STEADY_WITHIN, STEADY_SHARE * high);
  const steady = merged(stands, within);
  const main = longest(steady, within);
  const { volts } = main.at;
  const others = steady.filter((s) => Math.abs(s.volts - volts) > within);
  if (others.length === 0) return { kind: 'volts', volts, absent };
  const shorter = longest(others, within);
  if (!brief && [main, shorter].every(({ weight, times }) => weight / times >= READ_AS_STEADY)) {
    const share = shorter.weight / total;
    if (share < LEAST_SHARE) return { kind: 'volts', volts, absent };
    return { kind: 'volts', volts, absent, shorter: { value: shorter.at.volts, share } };
  }
  if (brief || main.weight < MAINLY * total)
    return { kind: 'unsteady', low: Math.min(...stands.map((s) => s.volts)), high, absent };
  return { kind: 'volts', volts, absent };
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

/** The value that stands longest in all, how long, and how many times it comes. */
function longest(
  stands: readonly Stand[],
  within: number,
): { readonly at: Stand; readonly weight: number; readonly times: number } {
  let best = { at: stands[0]!, weight: 0, times: 1 };
  for (const at of stands) {
    const same = stands.filter((s) => Math.abs(s.volts - at.volts) <= within);
    const weight = same.reduce((sum, s) => sum + s.weight, 0);
    if (weight > best.weight) best = { at, weight, times: same.length };
  }
  return best;
}

function predictOhms(
  model: Model,
  trace: Trace,
  faults: readonly FaultRef[],
  partIndex: number,
  branch: string,
): Prediction {
  const part = model.parts[partIndex]!;
  const mode = failureOf(part, faults);
  const spread = Math.max(0, ...Object.values(part.kind.fields).map((f) => f.tolerance ?? 0));
  const ohmsIn = (state: string): number => {
    const electrical = part.kind.electrical(part.spec, state, mode, branch, 'dc');
    return electrical.type === 'impedance' ? electrical.r : Infinity;
  };
  // Isolated on the bench: a part that is merely unpowered is at rest; a switch stands as what it senses left it.
  const stands = part.kind.mayOpenRightly?.(part.spec) === true || part.kind.lasting !== undefined;
  if (!stands) return { kind: 'ohms', ohms: ohmsIn(restState(part.kind.name, part.kind.states)), spread };
  const times = new Map<number, number>();
  const since = lasting(trace).from;
  for (const { from, to, partStates } of trace.segments) {
    const repeats = to - Math.max(from, since);
    const ohms = ohmsIn(part.kind.states[partStates[partIndex]!]!);
    if (repeats > 0) times.set(ohms, (times.get(ohms) ?? 0) + repeats);
  }
  const [main, shorter] = [...times].sort((a, b) => b[1] - a[1]);
  const [ohms] = main ?? [ohmsIn(part.kind.states[lastSegment(trace).partStates[partIndex]!]!)];
  if (!main || !shorter) return { kind: 'ohms', ohms, spread };
  return { kind: 'ohms', ohms, spread, shorter: { value: shorter[0], share: shorter[1] / (main[1] + shorter[1]) } };
}

/** A hand switch is held closed for its dead test; everything else is tested at rest. */
const restState = (kind: string, states: readonly string[]): string => (kind === 'switch' ? 'closed' : states[0]!);

function lastSegment(trace: Trace): Segment {
  return trace.segments[trace.segments.length - 1]!;
}

/** The appliance as it stands at the end of a trace, for questions that are looked at. */
function endScope(model: Model, trace: Trace, faults: readonly FaultRef[]): Scope {
  const last = lastSegment(trace);
  return {
    partIs: (part, state) => last.partStates[part] === state,
    outputOn: (port) => last.outputs[port] ?? false,
    input: () => false,
    quantity: (index) => quantityAt(trace, index, trace.end),
    env: () => true,
    fault: (part, mode) => faults.some((f) => f.part === part && f.mode === mode),
    regionIs: (region, state) => last.regionStates[region] === state,
    sinceEntry: () => 0,
    counter: () => 0,
    compared: (comparison) => model.comparisons[comparison]!((a, b) => voltsBetween(last.circuit.solution, a, b)),
    alive: () => last.alive,
  };
}
