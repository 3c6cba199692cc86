import * as t from '@sinclair/typebox';
import type { MeterInput } from '../../circuit';
import { AS_IT_STANDS, type Model, type NetIndex, type PhaseIndex } from '../../profile';
import { ASSUMED } from '../../standards';
import { capital, type Reading } from '../../units';
import { answered, type AnswerForm } from '../answer-form';
import { bodyOf, judgedFields, name, oneOf, readingFields } from '../body-fields';
import { fitVolts, sameVolts } from '../fit-volts';
import { type Dial, type MeterRange, NOTHING_MORE, type Place } from '../messages';
import {
  asShown,
  functionTyped,
  METER_FUNCTIONS,
  type MeterFunction,
  waveBetween,
  waveOf,
  wrongFunction,
} from '../meter-function';
import { momentFields } from '../moment';
import { observed, probesNamed, problem, stepNamed } from '../named';
import { lasting, readable } from '../observed-stretch';
import type { Offer, QuestionKind } from '../question-kind';
import { probesReach } from '../relevance';
import { INSTRUMENTS, met } from '../simulated-hand';
import { readsLine } from '../source-of';
import { voltsIn } from '../standing-volts';
import { levelOf, voltsRangeOf } from '../volts-range';
import { caseReading } from './readings';
import { inTrial } from './seen';

/** Volts between two nets while a phase lasts. */
export interface VoltsQuestion {
  readonly kind: 'volts';
  readonly red: NetIndex;
  readonly black: NetIndex;
  /** The phase during which it is read; -1 for the state in which the appliance ends up. */
  readonly phase: PhaseIndex;
  readonly input: MeterInput;
  /** What the meter is set to, where it makes a difference: on a rectified feed. */
  readonly function?: MeterFunction;
}
export interface VoltsObservation extends VoltsQuestion {
  readonly reading: Reading;
}

/** Volts as they are asked: with the usual meter, on the function that shows most of what stands there. */
export const asUsual = (model: Model, at: Pick<VoltsQuestion, 'red' | 'black' | 'phase'>): VoltsQuestion => ({
  kind: 'volts',
  red: at.red,
  black: at.black,
  phase: at.phase,
  input: 'high-impedance',
  ...(waveBetween(model, at) === 'rectified' && { function: 'dc' }),
});

const body = bodyOf('volts', {
  red: name,
  black: name,
  phase: t.Optional(name),
  meter: t.Optional(oneOf(['high-impedance', 'low-impedance'] as const)),
  function: t.Optional(oneOf(METER_FUNCTIONS)),
  ...readingFields,
  ...judgedFields,
  ...momentFields,
});

type VoltsBody = t.Static<typeof body>;

/** Minutes of a reading across a device, at a step. */
const ACROSS_MINUTES = 1.2;
/** Where no test point is, a probe still finds its net in this many minutes. */
const ELSEWHERE_MINUTES = 1;
/** Across a closed contact the millivolts are what is read: less than this is nothing, volts. */
const LEAST_ACROSS = 0.0005;

/** Whether a voltage is read against a place where the black probe rests, not across a device. */
const isToCommon = (model: Model, { black }: { readonly black: NetIndex }): boolean =>
  model.points.some((p) => p.black === black);

/** A voltage as its meter shows it: in millivolts where a thermocouple feeds the circuit. */
export const voltsDial = (model: Model, q: { readonly red: NetIndex; readonly black: NetIndex }): Dial =>
  levelOf(model, q) === 'millivolt' ? { millivolts: true } : {};

/** What the meter is set to for volts between two nets. */
export function meterRange(model: Model, q: { readonly red: NetIndex; readonly black: NetIndex }): MeterRange {
  if (levelOf(model, q) === 'millivolt') return 'dc-millivolts';
  return waveBetween(model, q) === 'sine' ? 'ac-volts' : 'dc-volts';
}

const formOf = (
  red: string,
  black: string,
  phase: string | undefined,
  { millivolts = false, set }: { readonly millivolts?: boolean; readonly set?: MeterFunction | undefined } = {},
): Extract<AnswerForm, { kind: 'reading' }> => ({
  kind: 'reading',
  dimension: 'voltage',
  ...(millivolts && { unit: 'mV' as const }),
  subject: {
    type: 'volts',
    red,
    black,
    ...(phase === undefined ? {} : { phase }),
    ...(set === undefined ? {} : { function: set }),
  },
});

export const volts: QuestionKind<VoltsQuestion, VoltsObservation, typeof body> = {
  kind: 'volts',
  weighs: 'reading',
  body,
  key: (model, q) => {
    const phase = q.phase === AS_IT_STANDS ? 'end' : model.phases[q.phase]!.id;
    return `volts ${model.nets[q.red]} ${model.nets[q.black]} ${phase}${q.input === 'low-impedance' ? ' low-z' : ''}${q.function === undefined ? '' : ` ${q.function}`}`;
  },
  answers: () => [],
  offers,
  cost: (model, q) => ({
    minutes: model.points.find((p) => p.net === q.red)?.minutes ?? ELSEWHERE_MINUTES,
    line: isLine(model, q.red) || isLine(model, q.black),
  }),
  probing: (model, q) => (isToCommon(model, q) ? 'to-common' : 'across'),
  cautions: (model, q) => ({ applies: inTrial(model, q.phase) ? ['trial'] : [] }),
  predict: (model, { trace }, q) => {
    const window = q.phase === AS_IT_STANDS ? undefined : readable(trace.windows[q.phase]!);
    const stands = window
      ? voltsIn(model, trace, q, window, false)
      : voltsIn(model, trace, q, lasting(trace), q.phase !== AS_IT_STANDS);
    return q.function === undefined ? stands : asShown(stands, q.function);
  },
  fit: (model, o, prediction) => ({
    ...fitVolts(o.reading, prediction, voltsRangeOf(model, o)),
    blunder: readsLine(model, o) ? ASSUMED.misreadLine : ASSUMED.misreadVolts,
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
    formOf(model.nets[q.red]!, model.nets[q.black]!, q.phase === AS_IT_STANDS ? undefined : model.phases[q.phase]!.id, {
      millivolts: levelOf(model, q) === 'millivolt',
      set: q.function,
    }),
  read: (model, given) => {
    const at = probesNamed(model, given);
    if (typeof at === 'string') return problem(at);
    const phase = stepNamed(model, given.phase);
    if (typeof phase === 'string') return problem(phase);
    if (given.reading.dimension !== 'voltage')
      return problem(`a reading between two test points is in volts; "${given.typed}" is not`);
    const set = functionTyped(given.typed) ?? given.function;
    const wave = waveBetween(model, at);
    const wrong = wrongFunction(wave, set, `${given.red} ${given.black}`);
    if (wrong !== undefined) return problem(wrong);
    return observed({
      kind: 'volts',
      ...at,
      phase,
      input: given.meter ?? 'high-impedance',
      ...(wave === 'rectified' && { function: set! }),
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
      const set = functionTyped(value);
      const form = formOf(red, black ?? '', step, { millivolts: names.millivolts.includes(red), set });
      const read = answered<VoltsBody>(form, value);
      if (!read.ok) return read;
      if (black === undefined)
        return { ok: false, message: `Where is the black probe? Add it: ${value} ${place[0]} C` };
      if (black === red)
        return { ok: false, message: 'Both probes are on the same point. Put the black one on the common.' };
      const wrong = wrongFunction(waveOf(names, red, black), set, `${red} ${black}`);
      return wrong === undefined ? read : { ok: false, message: capital(wrong) };
    }
    return undefined;
  },
  readCase: (fields, value, path) => {
    const map = fields.map(value, path, '{red, black, value, phase}');
    fields.only(map, path, ['red', 'black', 'value', 'phase', 'meter', 'function']);
    const phase = map['phase'] === undefined ? undefined : fields.text(map, 'phase', path);
    const meter =
      map['meter'] === undefined
        ? {}
        : { meter: fields.choice(map, 'meter', path, ['high-impedance', 'low-impedance'] as const) };
    const set = map['function'] === undefined ? undefined : fields.choice(map, 'function', path, METER_FUNCTIONS);
    const form = formOf(fields.text(map, 'red', path), fields.text(map, 'black', path), phase, { set });
    return [{ ...caseReading<VoltsBody>(fields, map['value'], [...path, 'value'], form), ...meter }];
  },
  asked: (model, q) => ({
    message: 'measure-volts',
    data: {
      range: meterRange(model, q),
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

export const nameOf = (model: Model, net: NetIndex): string | undefined =>
  model.nets[net]!.startsWith('~') ? undefined : model.nets[net]!;

const stepOf = (model: Model, { phase }: VoltsQuestion): string | undefined =>
  phase === AS_IT_STANDS ? undefined : model.phases[phase]!.title;

export function placeOf(model: Model, net: NetIndex): Place {
  const named = nameOf(model, net);
  if (named === undefined) {
    const branch = model.branches.find((b) => b.a === net || b.b === net)!;
    return { terminalOf: model.parts[branch.part]!.title };
  }
  const point = model.points.find((p) => p.net === net);
  return point ? { net: named, reach: point.reach } : { net: named };
}

/** Whether a probe on a net is on line voltage. */
const isLine = (model: Model, net: NetIndex): boolean =>
  model.levels[net] === 'line' || model.points.some((p) => p.net === net && p.line);

/** Every test point once, in the order of the wiring; then what stands across the switches that may open. */
function offers(model: Model): Offer<VoltsQuestion>[] {
  const probing = model.phases.filter((p) => p.probe);
  const found: Offer<VoltsQuestion>[] = [];
  const offer = (red: NetIndex, black: NetIndex, minutes: number, line: boolean): void => {
    for (const { index } of probing)
      found.push({
        question: asUsual(model, { red, black, phase: index }),
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
      // A device that stands between a point and where its black probe rests is read there already.
      if (found.some(({ question: q }) => q.red === a && q.black === b)) continue;
      offer(a, b, ACROSS_MINUTES, isLine(model, a) || isLine(model, b));
    }
  return found;
}
