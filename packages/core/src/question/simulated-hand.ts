import type { Random } from '../simulation';
import type { Prediction } from './prediction';

/** What a simulated technician brings to one answer: luck, and how careless they are. */
export interface Hand {
  readonly random: Random;
  /** Whether this answer comes out wrong, where a cue can. */
  readonly wrong: boolean;
  /** How many times as often as usual they err. */
  readonly carelessness: number;
}

/** The simulated instruments: share of the value and volts (one standard deviation); ohms get up to two tenths from the leads. */
export const INSTRUMENTS = {
  voltsShare: 0.008,
  volts: 0.05,
  ohmsShare: 0.01,
  leadOhms: 0.2,
  gaugeShare: 0.015,
  /** Of a clamp, amperes. */
  amps: 0.02,
  /** Mean of a ghost, volts; a thousandth of it in a thermocouple's circuit. */
  ghost: 2.5,
} as const;

/** Another answer than the right one. */
export const another = (right: number, of: number, random: Random): number =>
  (right + 1 + Math.floor(random.next() * (of - 1))) % of;

/** Whoever comes to a slow cycle comes in either part of it: the value of the shorter one, when that is met. */
export function met(truth: Prediction, random: Random): number | undefined {
  const shorter = truth.kind === 'volts' || truth.kind === 'ohms' ? truth.shorter : undefined;
  return shorter && random.next() < shorter.share ? shorter.value : undefined;
}
