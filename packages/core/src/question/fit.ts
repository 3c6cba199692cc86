import { ASSUMED } from '../standards';
import { isAbsent, type Prediction } from './prediction';

/** How an observation sits with a prediction. */
export interface Fit {
  /** Probability (density) of the observation if the hypothesis holds and nobody erred. */
  readonly fit: number;
  /** The same if it was misread, mistyped or misheard: spread over everything the question can answer. */
  readonly base: number;
  /** How often that happens. */
  readonly blunder: number;
}

export interface Scale {
  /** Largest value the question can sensibly answer, SI: blunders are spread up to it. */
  readonly top: number;
}

export const likelihood = (f: Fit): number => (1 - f.blunder) * f.fit + f.blunder * f.base;

/** Fit of one answer out of several. A blunder picks one of the others. */
export function fitChoice(prediction: Prediction, given: number, of: number, blunder: number): Fit {
  const right = prediction.kind === 'choice' && prediction.answer === given;
  return { fit: right ? 1 : 0, base: right ? 0 : 1 / Math.max(1, of - 1), blunder };
}

export const gauss = (x: number, mean: number, sd: number): number =>
  Math.exp(-0.5 * ((x - mean) / sd) ** 2) / (sd * Math.sqrt(2 * Math.PI));
export const decay = (x: number, mean: number): number => Math.exp(-Math.abs(x) / mean) / mean;

/** What is left of a fit when the step at which it was read hardly comes. */
export const comesAtAll = (p: Prediction): number => (isAbsent(p) ? ASSUMED.readThoughAbsent : 1);

/** How well a number can be read, and from where its share of error counts (a thermometer does not err by Kelvins from zero). */
export interface NumberError {
  readonly floor: number;
  readonly zero: number;
}

const numberSd = (value: number, tolerance: number, { floor, zero }: NumberError): number =>
  Math.hypot(floor, (value - zero) * Math.hypot(ASSUMED.numberReadWithin, tolerance));

/** Fit of a number, SI. */
export function fitNumber(x: number, p: Prediction, scale: Scale, error: NumberError, blunder: number): Fit {
  const base = 1 / Math.max(scale.top, error.floor * 10);
  if (p.kind !== 'number') return { fit: 0, base, blunder };
  return { fit: comesAtAll(p) * gauss(x, p.value, numberSd(p.value, p.tolerance, error)), base, blunder };
}

/** Whether two numbers would be read as the same one. */
export function sameNumber(a: Prediction, b: Prediction, error: NumberError): boolean {
  if (a.kind !== 'number' || b.kind !== 'number') return a.kind === b.kind;
  return (
    Math.abs(a.value - b.value) < 2 * (numberSd(a.value, a.tolerance, error) + numberSd(b.value, b.tolerance, error))
  );
}

/** A number rounded to what an instrument tells apart. */
export const coarseNumber = (p: Prediction): string =>
  p.kind !== 'number'
    ? p.kind
    : p.value === 0
      ? '0'
      : `${Math.sign(p.value) * Math.round(Math.log(Math.abs(p.value)) * 6)}`;
