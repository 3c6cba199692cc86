import * as t from '@sinclair/typebox';
import { measureVolts, type MeterInput } from '../../circuit';
import { findNet, type Model, unknownName } from '../../profile';
import type { Interval, Trace } from '../../simulation';
import { ASSUMED } from '../../standards';
import { type Reading, readingValue } from '../../units';
import { answered, type AnswerForm } from '../answer-form';
import { bodyOf, name, oneOf, readingFields } from '../body-fields';
import { comesAtAll, decay, gauss } from '../fit';
import { type Dial, NOTHING_MORE, type Place } from '../messages';
import { observed, problem } from '../named';
import { lasting, METER_SETTLES, readable } from '../observed-stretch';
import type { Prediction } from '../prediction';
import type { Offer, QuestionKind } from '../question-kind';
import { probesReach } from '../relevance';
import { INSTRUMENTS, met } from '../simulated-hand';
import { isDead, levelOf, type VoltsRange, voltsRangeOf, voltsSd } from '../volts-range';
import { caseReading } from './readings';
import { inTrial } from './seen';

/** Volts between two nets while a phase lasts. */
export interface VoltsQuestion {
  readonly kind: 'volts';
  readonly red: number;
  readonly black: number;
  /** The phase during which it is read; -1 for the state in which the appliance ends up. */
  readonly phase: number;
  readonly input: MeterInput;
}
export interface VoltsObservation extends VoltsQuestion {
  readonly reading: Reading;
}

const body = bodyOf('volts', {
  red: name,
  black: name,
  phase: t.Optional(name),
  meter: t.Optional(oneOf(['high-impedance', 'low-impedance'] as const)),
  ...readingFields,
});

type VoltsBody = t.Static<typeof body>;

/** Minutes of a reading across a device, at a step. */
const ACROSS_MINUTES = 1.2;
/** Where no test point is, a probe still finds its net in this many minutes. */
const ELSEWHERE_MINUTES = 1;
/** Across a closed contact the millivolts are what is read: less than this is nothing, volts. */
const LEAST_ACROSS = 0.0005;

/** Whether a voltage is read against a place where the black probe rests, not across a device. */
const isToCommon = (model: Model, { black }: { readonly black: number }): boolean =>
  model.points.some((p) => p.black === black);

/** A voltage as its meter shows it: in millivolts where a thermocouple feeds the circuit. */
export const voltsDial = (model: Model, q: { readonly red: number; readonly black: number }): Dial =>
  levelOf(model, q) === 'millivolt' ? { millivolts: true } : {};

const formOf = (red: string, black: string, phase: string | undefined): AnswerForm => ({
  kind: 'reading',
  dimension: 'voltage',
  subject: { type: 'volts', red, black, ...(phase === undefined ? {} : { phase }) },
});

export const volts: QuestionKind<VoltsQuestion, VoltsObservation, typeof body> = {
  kind: 'volts',
  weighs: 'reading',
  body,
  key: (model, q) => {
    const phase = q.phase < 0 ? 'end' : model.phases[q.phase]!.id;
    return `volts ${model.nets[q.red]} ${model.nets[q.black]} ${phase}${q.input === 'low-impedance' ? ' low-z' : ''}`;
  },
  answers: () => [],
  offers,
  cost: (model, q) => ({
    minutes: model.points.find((p) => p.net === q.red)?.minutes ?? ELSEWHERE_MINUTES,
    line: model.levels[q.red] === 'line',
  }),
  probing: (model, q) => (isToCommon(model, q) ? 'to-common' : 'across'),
  cautions: (model, q) => ({ applies: inTrial(model, q.phase) ? ['trial'] : [] }),
  predict: (model, { trace }, q) => {
    const window = q.phase < 0 ? undefined : readable(trace.windows[q.phase]!);
    return window ? voltsIn(model, trace, q, window, false) : voltsIn(model, trace, q, lasting(trace), q.phase >= 0);
  },
  fit: (model, o, prediction) => ({
    ...fitVolts(o, prediction, voltsRangeOf(model, o)),
    blunder: ASSUMED.misreadVolts,
  }),
  place: (p) => {
    switch (p.kind) {
      case 'volts':
        return p.volts;
      case 'unsteady':
        return 1e6 + p.low;
      // A ghost stands beside the dead wire it is easily taken for.
      default:
        return 0;
    }
  },
  sameOutcome: (model, q) => {
    const range = voltsRangeOf(model, q);
    return (a, b) => sameVolts(range, a, b);
  },
  coarse: (model, q, p) => {
    // Volts of the source behind the red probe: millivolts are told apart in finer steps than line volts.
    const rated = Math.max(model.ratedVolts[q.red]!, q.black === model.ground ? 0 : model.ratedVolts[q.black]!);
    const step = Math.min(0.5, 0.02 * rated);
    if (p.kind === 'volts') return p.volts < step ? 'dead' : `${Math.round(Math.log(p.volts) * 12)}V`;
    return p.kind === 'unsteady' ? `u${Math.round(p.high / (6 * step))}` : 'dead';
  },
  observe: (model, q, p) => {
    if (p.kind === 'volts') return { ...q, reading: { kind: 'value', value: p.volts, dimension: 'voltage' } };
    if (p.kind === 'unsteady')
      return { ...q, reading: { kind: 'range', low: p.low, high: p.high, dimension: 'voltage' } };
    return { ...q, reading: { kind: 'value', value: 0.7 * voltsRangeOf(model, q).stray, dimension: 'voltage' } };
  },
  report: (model, { observation, truth }, { random }) => {
    const small = model.levels[observation.red] === 'millivolt' ? 0.001 : 1;
    const showing = (value: number): VoltsObservation => ({
      ...observation,
      reading: { kind: 'value', value, dimension: 'voltage' },
    });
    if (truth.kind === 'ghost') return showing(small * random.exponential(INSTRUMENTS.ghost));
    if (observation.reading.kind !== 'value') return observation;
    const stands = met(truth, random) ?? observation.reading.value;
    return showing(
      Math.abs(stands * (1 + INSTRUMENTS.voltsShare * random.normal()) + small * INSTRUMENTS.volts * random.normal()),
    );
  },
  isRelevantTo: (model, part, q) => probesReach(model, part, q),
  subject: (model, q) => volts.form(model, q).subject,
  form: (model, q) =>
    formOf(model.nets[q.red]!, model.nets[q.black]!, q.phase < 0 ? undefined : model.phases[q.phase]!.id),
  read: (model, given) => {
    const named = model.nets.filter((n) => !n.startsWith('~'));
    const red = findNet(model, given.red);
    const black = findNet(model, given.black);
    if (red < 0) return problem(unknownName('test point', given.red, named));
    if (black < 0) return problem(unknownName('test point', given.black, named));
    if (red === black) return problem(`both probes on ${given.red}: put the black probe on the common`);
    const phase = given.phase === undefined ? -1 : model.phases.findIndex((p) => p.id === given.phase);
    if (given.phase !== undefined && phase < 0)
      return problem(
        unknownName(
          'step',
          given.phase,
          model.phases.map((p) => p.id),
        ),
      );
    if (given.reading.dimension !== 'voltage')
      return problem(`a reading between two test points is in volts; "${given.typed}" is not`);
    return observed({
      kind: 'volts',
      red,
      black,
      phase,
      input: given.meter ?? 'high-impedance',
      reading: given.reading,
    });
  },
  readLine: (names, words, step) => {
    const netNamed = (typed: string): string | undefined =>
      names.nets.find((n) => n === typed) ?? names.nets.find((n) => n.toLowerCase() === typed.toLowerCase());
    for (let i = words.length - 1; i >= 1; i--) {
      const place = words.slice(i);
      const nets = place.map(netNamed);
      const [red] = nets;
      if (place.length > 2 || red === undefined || nets.includes(undefined)) continue;
      // `15.4 V MV C`: prefer the split that leaves two probes.
      if (place.length === 1 && i >= 2 && netNamed(words[i - 1]!) !== undefined) continue;
      const value = words.slice(0, i).join(' ');
      const black = nets[1] ?? names.blacks[red];
      const read = answered<VoltsBody>(formOf(red, black ?? '', step), value);
      if (!read.ok) return read;
      if (black === undefined)
        return { ok: false, message: `Where is the black probe? Add it: ${value} ${place[0]} C` };
      if (black === red)
        return { ok: false, message: 'Both probes are on the same point. Put the black one on the common.' };
      return read;
    }
    return undefined;
  },
  readCase: (fields, value, path) => {
    const map = fields.map(value, path, '{red, black, value, phase}');
    fields.only(map, path, ['red', 'black', 'value', 'phase', 'meter']);
    const phase = map['phase'] === undefined ? undefined : fields.text(map, 'phase', path);
    const meter =
      map['meter'] === undefined
        ? {}
        : { meter: fields.choice(map, 'meter', path, ['high-impedance', 'low-impedance'] as const) };
    const form = formOf(fields.text(map, 'red', path), fields.text(map, 'black', path), phase);
    return [{ ...caseReading<VoltsBody>(fields, map['value'], [...path, 'value'], form), ...meter }];
  },
  asked: (model, q) => ({
    message: 'measure-volts',
    data: {
      range:
        levelOf(model, q) === 'millivolt'
          ? 'dc-millivolts'
          : model.frequencies[q.red === model.ground ? q.black : q.red] === 'dc'
            ? 'dc-volts'
            : 'ac-volts',
      red: placeOf(model, q.red),
      black: placeOf(model, q.black),
      step: stepOf(model, q),
    },
  }),
  title: (model, q) => ({
    message: 'volts',
    data: { red: nameOf(model, q.red), black: nameOf(model, q.black), step: stepOf(model, q) },
  }),
  observed: (model, o) => ({
    message: 'read',
    data: { title: volts.title(model, o), reading: o.reading, dial: voltsDial(model, o) },
  }),
  expected: (model, q, p) => {
    const dial = voltsDial(model, q);
    const { floor } = voltsRangeOf(model, q);
    // Less than the display tells from nothing.
    const least = isToCommon(model, q) ? floor : LEAST_ACROSS;
    const shown = (value: number): number => (value < least ? 0 : value);
    switch (p.kind) {
      case 'volts':
        return {
          message: 'volts',
          data: { volts: shown(p.volts), atTimes: p.shorter && shown(p.shorter.value), dial },
        };
      case 'unsteady':
        return { message: 'unsteady', data: { low: p.low < floor ? 0 : p.low, high: p.high, dial } };
      case 'ghost':
        return { message: 'ghost', data: { dial } };
      default:
        return { message: 'never', data: NOTHING_MORE };
    }
  },
};

const nameOf = (model: Model, net: number): string | undefined =>
  model.nets[net]!.startsWith('~') ? undefined : model.nets[net]!;

const stepOf = (model: Model, { phase }: VoltsQuestion): string | undefined =>
  phase < 0 ? undefined : model.phases[phase]!.title;

function placeOf(model: Model, net: number): Place {
  const named = nameOf(model, net);
  if (named === undefined) {
    const branch = model.branches.find((b) => b.a === net || b.b === net)!;
    return { terminalOf: model.parts[branch.part]!.title };
  }
  const point = model.points.find((p) => p.net === net);
  return point ? { net: named, reach: point.reach } : { net: named };
}

/** Every test point once, in the order of the wiring; then what stands across the switches that may open. */
function offers(model: Model): Offer<VoltsQuestion>[] {
  const probing = model.phases.filter((p) => p.probe);
  const found: Offer<VoltsQuestion>[] = [];
  const offer = (red: number, black: number, minutes: number, line: boolean): void => {
    for (const { index } of probing)
      found.push({
        question: { kind: 'volts', red, black, phase: index, input: 'high-impedance' },
        minutes,
        line,
        walk: 'wiring',
      });
  };
  // Rungs are written from source to load, and so are the readings along them.
  for (const rung of model.rungs)
    for (const item of rung.items) {
      const point = 'net' in item ? model.points.find((p) => p.net === item.net) : undefined;
      if (point && !found.some((f) => f.question.red === point.net))
        offer(point.net, point.black, point.minutes, point.line);
    }
  for (const part of model.parts)
    if (part.kind.mayOpenRightly?.(part.spec)) {
      const { a, b } = part.branches[0]!;
      offer(a, b, ACROSS_MINUTES, false);
    }
  return found;
}

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
  const { stands, ghosts, total } = standsIn(trace, q, from, to);
  if (total === 0 || ghosts > total / 2) return { kind: 'ghost', absent };
  if (stands.length === 1) return { kind: 'volts', volts: stands[0]!.volts, absent };
  const high = Math.max(...stands.map((s) => s.volts));
  const within = Math.max(levelOf(model, q) === 'millivolt' ? STEADY_MILLIVOLTS : STEADY_WITHIN, STEADY_SHARE * high);
  const steady = merged(stands, within);
  const main = longest(steady, within);
  const value = main.at.volts;
  const others = steady.filter((s) => Math.abs(s.volts - value) > within);
  if (others.length === 0) return { kind: 'volts', volts: value, absent };
  const shorter = longest(others, within);
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
  q: VoltsQuestion,
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

function fitVolts(o: VoltsObservation, p: Prediction, range: VoltsRange): { fit: number; base: number } {
  const base = 1 / range.top;
  const wanders = o.reading.kind === 'range';
  const x = Math.abs(readingValue(o.reading));
  const absent = comesAtAll(p);
  switch (p.kind) {
    case 'volts': {
      const steady = wanders ? ASSUMED.wandersThoughSteady : 1;
      const { shorter } = p;
      const mixed = shorter
        ? (1 - shorter.share) * standing(x, p.volts, range) + shorter.share * standing(x, shorter.value, range)
        : standing(x, p.volts, range);
      return { fit: absent * steady * mixed, base };
    }
    case 'unsteady': {
      // A true dip is too short for the display: it shows some average between the extremes.
      const slack = range.top / 30;
      const width = Math.max(2 * slack, p.high - p.low);
      const inside = x >= p.low * 0.92 - slack && x <= p.high * 1.08 + slack ? 1 / width : 0;
      const { steadyThoughUnsteady } = ASSUMED;
      return { fit: absent * (wanders ? 1 - steadyThoughUnsteady : steadyThoughUnsteady) * inside, base };
    }
    case 'ghost': {
      const { ghostWanders } = ASSUMED;
      return { fit: absent * (wanders ? ghostWanders : 1 - ghostWanders) * decay(x, range.ghost), base };
    }
    default:
      return { fit: 0, base };
  }
}

/** Density of a reading where a voltage stands. */
function standing(x: number, value: number, range: VoltsRange): number {
  const sharp = gauss(x, value, voltsSd(value, range));
  // A wire that is dead but runs beside live ones often shows a little through a poor path.
  return isDead(value, range) ? (1 - ASSUMED.strayShare) * sharp + ASSUMED.strayShare * decay(x, range.stray) : sharp;
}

function sameVolts(range: VoltsRange, a: Prediction, b: Prediction): boolean {
  // A ghost is easily taken for a dead wire, and the other way round.
  if (looksDead(a, range) && looksDead(b, range)) return true;
  if (a.kind === 'volts' && b.kind === 'volts')
    return Math.abs(a.volts - b.volts) < 2 * (voltsSd(a.volts, range) + voltsSd(b.volts, range));
  return a.kind === b.kind;
}

const looksDead = (p: Prediction, range: VoltsRange): boolean =>
  p.kind === 'ghost' || (p.kind === 'volts' && isDead(p.volts, range));
