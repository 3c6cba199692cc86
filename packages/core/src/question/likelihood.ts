import type { Look, Model } from '../profile';
import { type Dimension, readingValue, zeroOf } from '../units';
import type { Observation, Question } from './observation';
import { answersOf, type Prediction, readsOpen } from './predict';
import { isDead, type VoltsRange, voltsRangeOf, voltsSd } from './volts-range';

/** How an observation sits with a prediction. */
export interface Fit {
  /** Probability (density) of the observation if the hypothesis holds and nobody erred. */
  readonly fit: number;
  /** The same if it was misread, mistyped or misheard: spread over everything the question can answer. */
  readonly base: number;
  /** How often that happens. */
  readonly blunder: number;
}

/** How often people and meters err, by kind of question. Assumptions; common practice, no source. */
const BLUNDER = {
  seen: 0.04,
  outcome: 0.05,
  code: 0.03,
  volts: 0.02,
  ohms: 0.015,
  gauge: 0.02,
  timing: 0.04,
  look: 0,
  /** A customer's words are taken down by telephone. */
  told: 0.2,
} as const;

/** A wire that is dead but runs beside live ones often shows a little through a poor path. */
const STRAY_SHARE = 0.25;

/** A phase that never comes under a hypothesis can hardly have been read in. */
const ABSENT = 0.35;

/** Smallest error of a gauge, by dimension of the quantity: 0.02 in w.c., 0.15 µA, 2 K, 0.2 % CO2, a third of a millimetre. */
const GAUGE_FLOOR: Partial<Readonly<Record<Dimension, number>>> = {
  pressure: 5,
  current: 0.15e-6,
  temperature: 2,
  fraction: 0.002,
  length: 0.0003,
};
/** For what has no floor of its own. */
const ANY_FLOOR = 0.01;

export interface Scale {
  /** Largest value the question can sensibly answer, SI: blunders are spread up to it. */
  readonly top: number;
}

/** Compares an observation with a prediction; `sound` is the prediction for a sound appliance. */
export function fitOf(
  model: Model,
  observation: Observation,
  prediction: Prediction,
  scale: Scale,
  sound?: Prediction,
): Fit {
  switch (observation.kind) {
    case 'seen':
      return choice(prediction, observation.answer ? 1 : 0, 2, BLUNDER.seen);
    case 'outcome': {
      const answers = answersOf(model, observation);
      return choice(prediction, answers.indexOf(observation.outcome), answers.length, BLUNDER.outcome);
    }
    case 'code': {
      const answers = answersOf(model, observation);
      return choice(prediction, answers.indexOf(observation.code), answers.length, BLUNDER.code);
    }
    case 'look': {
      const look = model.looks[observation.look]!;
      return choice(prediction, observation.answer, look.answers.length, lookError(look, prediction, sound));
    }
    case 'told':
      return choice(prediction, 1, 2, BLUNDER.told);
    case 'volts':
      return { ...fitVolts(observation, prediction, voltsRangeOf(model, observation)), blunder: BLUNDER.volts };
    case 'ohms':
      return { ...fitOhms(observation, prediction), blunder: BLUNDER.ohms };
    case 'gauge':
    case 'timing': {
      const fit = fitNumber(readingValue(observation.reading), prediction, scale, numberError(model, observation));
      return { ...fit, blunder: BLUNDER[observation.kind] };
    }
  }
}

/** What is wrong is overlooked far more often than something wrong is seen that is not there. */
const FALSE_ALARM = 0.2;

/** How often a look is wrong, by what there is to see; `sound` is what a sound appliance would show. */
export function lookError(look: Look, truth: Prediction, sound: Prediction | undefined): number {
  const nothingWrong = truth.kind === 'choice' && sound?.kind === 'choice' && truth.answer === sound.answer;
  return (1 - look.tells) * (nothingWrong ? FALSE_ALARM : 1);
}

export const likelihood = (f: Fit): number => (1 - f.blunder) * f.fit + f.blunder * f.base;

function choice(prediction: Prediction, given: number, of: number, blunder: number): Fit {
  const right = prediction.kind === 'choice' && prediction.answer === given;
  // A blunder picks one of the other answers.
  return { fit: right ? 1 : 0, base: right ? 0 : 1 / Math.max(1, of - 1), blunder };
}

const gauss = (x: number, mean: number, sd: number): number =>
  Math.exp(-0.5 * ((x - mean) / sd) ** 2) / (sd * Math.sqrt(2 * Math.PI));
const decay = (x: number, mean: number): number => Math.exp(-Math.abs(x) / mean) / mean;

function fitVolts(
  o: Extract<Observation, { kind: 'volts' }>,
  p: Prediction,
  range: VoltsRange,
): { fit: number; base: number } {
  const base = 1 / range.top;
  const wanders = o.reading.kind === 'range';
  const x = Math.abs(readingValue(o.reading));
  const absent = 'absent' in p && p.absent ? ABSENT : 1;
  switch (p.kind) {
    case 'volts': {
      const steady = wanders ? 0.02 : 1;
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
      return { fit: absent * (wanders ? 0.85 : 0.15) * inside, base };
    }
    case 'ghost': {
      return { fit: absent * (wanders ? 0.3 : 0.7) * decay(x, range.ghost), base };
    }
    default:
      return { fit: 0, base };
  }
}

/** Density of a reading where a voltage stands. */
function standing(x: number, volts: number, range: VoltsRange): number {
  const sharp = gauss(x, volts, voltsSd(volts, range));
  return isDead(volts, range) ? (1 - STRAY_SHARE) * sharp + STRAY_SHARE * decay(x, range.stray) : sharp;
}

/** Ohms are compared on a logarithmic scale from 0.1 Ω to 10 MΩ; OL is an answer of its own. */
const DECADES = 8;
function fitOhms(o: Extract<Observation, { kind: 'ohms' }>, p: Prediction): { fit: number; base: number } {
  const base = 1 / DECADES;
  if (p.kind !== 'ohms') return { fit: 0, base };
  const x = readingValue(o.reading);
  const fit = p.shorter
    ? (1 - p.shorter.share) * resting(x, p.ohms, p.spread) + p.shorter.share * resting(x, p.shorter.value, p.spread)
    : resting(x, p.ohms, p.spread);
  return { fit, base };
}

/** Density of a reading of a part that rests at some ohms, per decade; a probability where OL is read. */
function resting(x: number, ohms: number, spread: number): number {
  if (readsOpen(x) || readsOpen(ohms)) return readsOpen(x) && readsOpen(ohms) ? 1 : 0;
  const near = Math.max(ohms, 0.1);
  // Leads and contacts add a few tenths of an ohm; the part itself has its spread.
  const sd = Math.hypot(0.02 + spread, 0.25 / (near + 0.3)) / Math.LN10;
  return gauss(Math.log10(Math.max(x, 0.1)), Math.log10(near), sd);
}

function fitNumber(x: number, p: Prediction, scale: Scale, error: NumberError): { fit: number; base: number } {
  const base = 1 / Math.max(scale.top, error.floor * 10);
  if (p.kind !== 'number') return { fit: 0, base };
  const sd = numberSd(p.value, p.spread, error);
  return { fit: (p.absent ? ABSENT : 1) * gauss(x, p.value, sd), base };
}

/** How well a number can be read, and from where its share of error counts (a thermometer does not err by Kelvins from zero). */
export interface NumberError {
  readonly floor: number;
  readonly zero: number;
}

export const numberSd = (value: number, spread: number, { floor, zero }: NumberError): number =>
  Math.hypot(floor, (value - zero) * Math.hypot(0.02, spread));

/** Errors a reading of this question can have, for telling predicted values apart. */
export function numberError(model: Model, question: Question): NumberError {
  if (question.kind !== 'gauge') return { floor: question.kind === 'timing' ? 1 : 0, zero: 0 };
  const { dimension } = model.quantities[model.gauges[question.gauge]!.quantity]!;
  return { floor: GAUGE_FLOOR[dimension] ?? ANY_FLOOR, zero: zeroOf(dimension) };
}

/** Top of the scale of a question: what blunders are spread over. */
export function scaleOf(model: Model, question: Question, predictions: readonly Prediction[]): Scale {
  const top = Math.max(0, ...predictions.map((p) => (p.kind === 'number' ? p.value : 0)));
  return { top: Math.max(top * 1.5, numberError(model, question).floor * 10) };
}
