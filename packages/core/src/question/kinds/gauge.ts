import type { Model, PartIndex } from '../../profile';
import { type FaultRef, quantityAt } from '../../simulation';
import { ASSUMED } from '../../standards';
import { type Dimension, type Reading, readingValue, zeroOf } from '../../units';
import { answered, type AnswerForm } from '../answer-form';
import { bodyOf, judgedFields, name, readingFields } from '../body-fields';
import { coarseNumber, fitNumber, knownError, type NumberError, sameNumber } from '../fit';
import { type Dial, NOTHING_MORE } from '../messages';
import { momentFields } from '../moment';
import { indexOf, observed, problem } from '../named';
import { readable, settledIn } from '../observed-stretch';
import type { Prediction } from '../prediction';
import type { QuestionKind } from '../question-kind';
import { isAbout } from '../relevance';
import { INSTRUMENTS } from '../simulated-hand';
import { caseReadings } from './readings';

/** What an instrument of its own shows: draft, gas pressure, flame signal, temperature, gap. */
export interface GaugeQuestion {
  readonly kind: 'gauge';
  readonly gauge: number;
}
export interface GaugeObservation extends GaugeQuestion {
  readonly reading: Reading;
  /** It was judged on the Bench: half of the interval in which it lies, SI. */
  readonly u?: number;
}

const body = bodyOf('gauge', { gauge: name, ...readingFields, ...judgedFields, ...momentFields });

/** Whether one of the faults is the one that a rule asks about, in whichever severity. */
const failureAsked = (
  { parts }: Model,
  faults: readonly FaultRef[],
  asked: { readonly part: PartIndex; readonly mode: number },
): boolean =>
  faults.some(
    ({ part, mode }) => part === asked.part && parts[part]!.modes[mode]!.id === parts[part]!.modes[asked.mode]!.id,
  );

const quantityOf = (model: Model, gauge: number) => model.quantities[model.gauges[gauge]!.quantity]!;

/** Smallest error of a gauge, by dimension of the quantity. */
const FLOOR: Partial<Readonly<Record<Dimension, number>>> = {
  pressure: ASSUMED.pressureFloor,
  current: ASSUMED.currentFloor,
  temperature: ASSUMED.temperatureFloor,
  fraction: ASSUMED.fractionFloor,
  length: ASSUMED.lengthFloor,
};

function errorOf(model: Model, q: GaugeQuestion): NumberError {
  const { dimension } = quantityOf(model, q.gauge);
  return { floor: FLOOR[dimension] ?? ASSUMED.anyFloor, zero: zeroOf(dimension) };
}

/** The unit of a dial is that of the largest value it can come to. */
export function gaugeDial(model: Model, gauge: number): Dial {
  const { start, rules } = quantityOf(model, gauge);
  return { scale: Math.max(...[start, ...rules.map((r) => r.is)].map(Math.abs)) };
}

const formOf = (id: string, dimension: Dimension): AnswerForm => ({
  kind: 'reading',
  dimension,
  subject: { type: 'gauge', gauge: id },
});

export const gauge: QuestionKind<GaugeQuestion, GaugeObservation, typeof body> = {
  kind: 'gauge',
  weighs: 'reading',
  clears: true,
  body,
  key: (model, q) => `gauge ${model.gauges[q.gauge]!.id}`,
  answers: () => [],
  offers: (model) =>
    model.gauges.map(({ minutes }, index) => ({
      question: { kind: 'gauge', gauge: index },
      minutes,
      line: false,
      walk: 'gauges',
    })),
  cost: (model, q) => ({ minutes: model.gauges[q.gauge]!.minutes, line: false }),
  cautions: (model, q) => ({ applies: quantityOf(model, q.gauge).id.includes('gas') ? ['gas'] : [] }),
  predict: (model, { trace, faults }, q) => {
    const { phase, read, quantity } = model.gauges[q.gauge]!;
    const window = readable(trace.windows[phase]!);
    const at = window ? (read === 'at-once' ? window.from : settledIn(window)) : trace.end;
    const value = quantityAt(trace, quantity, at);
    const { tolerance, sound, rules } = model.quantities[quantity]!;
    // What a fault makes of it has its own band.
    const degraded = rules.some((r) => r.spread && r.when!.faults.some((f) => failureAsked(model, faults, f)));
    return {
      kind: 'number',
      value,
      tolerance,
      absent: window === undefined,
      ...(sound && value > 0 && !degraded
        ? { reach: { low: sound.from * value, high: sound.to * value, byFactors: true } }
        : {}),
    };
  },
  fit: (model, o, prediction, scale) =>
    fitNumber(readingValue(o.reading), prediction, scale, knownError(errorOf(model, o), o.u), ASSUMED.misreadGauge),
  numberError: errorOf,
  place: (p) => (p.kind === 'number' ? p.value : 3e6),
  sameOutcome: (model, q) => {
    const error = errorOf(model, q);
    return (a: Prediction, b: Prediction) => sameNumber(a, b, error);
  },
  coarse: (_model, _q, p) => coarseNumber(p),
  observe: (_model, q, p) =>
    p.kind === 'number' ? { ...q, reading: { kind: 'value', value: p.value, dimension: 'none' } } : undefined,
  report: (model, { observation }, { random }) => {
    const { reading } = observation;
    if (reading.kind !== 'value') return observation;
    // As a tolerance does, the error of a thermometer counts from the temperature of the room.
    const { zero } = errorOf(model, observation);
    const value = zero + (reading.value - zero) * (1 + INSTRUMENTS.gaugeShare * random.normal());
    return { ...observation, reading: { ...reading, value } };
  },
  isRelevantTo: (model, part, q) => {
    const { quantity } = model.gauges[q.gauge]!;
    return [...part.senses.values()].includes(quantity) || isAbout(model, part, quantity);
  },
  subject: (model, q) => ({ type: 'gauge', gauge: model.gauges[q.gauge]!.id }),
  form: (model, q) => formOf(model.gauges[q.gauge]!.id, quantityOf(model, q.gauge).dimension),
  read: (model, given) => {
    const index = indexOf(model.gauges, given.gauge, 'measurement');
    if (typeof index === 'string') return problem(index);
    const { dimension } = quantityOf(model, index);
    if (given.reading.dimension !== dimension)
      return problem(`${model.gauges[index]!.title} is a ${dimension}; "${given.typed}" is not`);
    // What was entered as it was read has no width of its own.
    const u = given.judged?.u;
    return observed({ kind: 'gauge', gauge: index, reading: given.reading, ...(u && { u }) });
  },
  readLine: ({ gauges }, words) => {
    const said = words.map((w) => w.toLowerCase());
    const id = said.find((w) => Object.hasOwn(gauges, w));
    if (id === undefined) return undefined;
    return answered(formOf(id, gauges[id]!), words.filter((_, i) => said[i] !== id).join(' '));
  },
  readCase: (fields, value, path, model) =>
    caseReadings(fields, value, path, '{measurement: value}', (id) => {
      const index = model.gauges.findIndex((g) => g.id === id);
      return formOf(id, index < 0 ? 'none' : quantityOf(model, index).dimension);
    }),
  asked: (model, q) => {
    const { how, title } = model.gauges[q.gauge]!;
    return { message: 'read-gauge', data: { how, title } };
  },
  title: (model, q) => ({ message: 'titled', data: { words: model.gauges[q.gauge]!.title } }),
  observed: (model, o) => ({
    message: 'read',
    data: { title: gauge.title(model, o), reading: o.reading, dial: gaugeDial(model, o.gauge) },
  }),
  expected: (model, q, p) =>
    p.kind === 'number'
      ? {
          message: 'number',
          data: { value: p.value, dimension: quantityOf(model, q.gauge).dimension, dial: gaugeDial(model, q.gauge) },
        }
      : { message: 'never', data: NOTHING_MORE },
};
