import { ASSUMED } from '../standards';
import { isAbsent, type Prediction, type Reach } from './prediction';

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

/** Density where the value itself lies anywhere between two others, even odds, and is read with an error. */
export const between = (x: number, { low, high }: Reach, sd: number): number =>
  high - low < sd / 4
    ? gauss(x, (low + high) / 2, sd)
    : (normalCdf((x - low) / sd) - normalCdf((x - high) / sd)) / (high - low);

/** Share of a normal distribution below z: Abramowitz and Stegun, Handbook of Mathematical Functions, 7.1.26. */
function normalCdf(z: number): number {
  const x = Math.abs(z) / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * x);
  const poly = t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))));
  const tail = 0.5 * poly * Math.exp(-x * x);
  return z > 0 ? 1 - tail : tail;
}

export const decay = (x: number, mean: number): number => Math.exp(-Math.abs(x) / mean) / mean;

/** What is left of a fit when the step at which it was read hardly comes. */
export const comesAtAll = (p: Prediction): number => (isAbsent(p) ? ASSUMED.readThoughAbsent : 1);

/** How well a number can be read, and from where its share of error counts (a thermometer does not err by Kelvins from zero). */
export interface NumberError {
  readonly floor: number;
  readonly zero: number;
}

/**
 * The error of a reading of which it is known how sure it is, half of the interval in which it lies: a coarse one says less. A fine
 * one says no more than usual: between the severities of a fault nothing is foretold.
 */
export const knownError = (error: NumberError, u = 0): NumberError => ({
  ...error,
  floor: Math.max(error.floor, u / 2),
});

const numberSd = (value: number, tolerance: number, { floor, zero }: NumberError): number =>
  Math.hypot(floor, (value - zero) * Math.hypot(ASSUMED.numberReadWithin, tolerance));

/** Fit of a number, SI. */
export function fitNumber(x: number, p: Prediction, scale: Scale, error: NumberError, blunder: number): Fit {
  const base = 1 / Math.max(scale.top, error.floor * 10);
  if (p.kind !== 'number') return { fit: 0, base, blunder };
  if (p.reach?.byFactors) {
    const sd = Math.hypot(ASSUMED.numberReadWithin, p.tolerance, error.floor / p.value);
    const density = between(
      Math.log(Math.max(x, 1e-12)),
      { low: Math.log(p.reach.low), high: Math.log(p.reach.high) },
      sd,
    );
    return { fit: (comesAtAll(p) * density) / Math.max(x, 1e-12), base, blunder };
  }
  const sd = numberSd(p.value, p.tolerance, error);
  return { fit: comesAtAll(p) * (p.reach ? between(x, p.reach, sd) : gauss(x, p.value, sd)), base, blunder };
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
