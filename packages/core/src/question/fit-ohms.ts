import type { Random } from '../simulation';
import { ASSUMED } from '../standards';
import { type Reading, readingValue } from '../units';
import { between, gauss } from './fit';
import { type Prediction, type Reach, readsOpen } from './prediction';
import { INSTRUMENTS, met } from './simulated-hand';

/** Ohms are compared on a logarithmic scale from 0.1 Ω to 10 MΩ; OL is an answer of its own. */
const DECADES = 8;

/**
 * How a reading in ohms sits with a prediction: its density there, and that of a reading anywhere. `u` where it was corrected
 * for leads and warmth: half of the interval in which it lies.
 */
export function fitOhms(reading: Reading, p: Prediction, u?: number): { fit: number; base: number } {
  const base = 1 / DECADES;
  if (p.kind !== 'ohms') return { fit: 0, base };
  const x = readingValue(reading);
  const fit = p.shorter
    ? (1 - p.shorter.share) * resting(x, p.ohms, p.tolerance) +
      p.shorter.share * resting(x, p.shorter.value, p.tolerance)
    : resting(x, p.ohms, p.tolerance, p.reach, undefined, u);
  return { fit, base };
}

/** What stands between a part and what is read of it: ohms of the leads, and what warmth makes of its own. */
export interface Through {
  readonly leads: number;
  readonly times: number;
}

/** Density of a reading where leads and warmth are known. */
export function fitOhmsThrough(reading: Reading, p: Prediction, through: Through): number {
  if (p.kind !== 'ohms') return 0;
  const x = readingValue(reading);
  const at = (ohms: number, reach?: Reach): number => resting(x, ohms, p.tolerance, reach, through);
  return p.shorter ? (1 - p.shorter.share) * at(p.ohms) + p.shorter.share * at(p.shorter.value) : at(p.ohms, p.reach);
}

/** Density of a reading of a part that rests at some ohms, per decade; a probability where OL is read. */
function resting(x: number, value: number, tolerance: number, reach?: Reach, through?: Through, u?: number): number {
  if (readsOpen(x) || readsOpen(value)) return readsOpen(x) && readsOpen(value) ? 1 : 0;
  const shown = (ohms: number): number =>
    Math.max(through ? ohms * through.times + through.leads : ohms, ASSUMED.leastOhms);
  const near = shown(value);
  // Leads and contacts add a few tenths of an ohm; the part itself has its tolerance.
  const unsure = u !== undefined ? u / 2 : through ? ASSUMED.contactOhms : ASSUMED.leadOhms;
  const sd = Math.hypot(0.02 + tolerance, unsure / (near + 0.3)) / Math.LN10;
  const read = Math.log10(Math.max(x, ASSUMED.leastOhms));
  if (!reach) return gauss(read, Math.log10(near), sd);
  return between(read, { low: Math.log10(shown(reach.low)), high: Math.log10(shown(reach.high)) }, sd);
}

/** Whether an ohmmeter would not tell two predictions apart. */
export function sameOhms(a: Prediction, b: Prediction): boolean {
  if (a.kind !== 'ohms' || b.kind !== 'ohms') return a.kind === b.kind;
  if (!Number.isFinite(a.ohms) || !Number.isFinite(b.ohms)) return a.ohms === b.ohms;
  return Math.abs(Math.log(Math.max(a.ohms, 0.1) / Math.max(b.ohms, 0.1))) < 0.3 || Math.abs(a.ohms - b.ohms) < 0.8;
}

/** Ohms rounded to what can be told apart. */
export const coarseOhms = (p: Prediction): string =>
  p.kind !== 'ohms' ? p.kind : readsOpen(p.ohms) ? 'OL' : `${Math.round(Math.log(Math.max(p.ohms, 0.2)) * 4)}`;

/** Ohms as an ohmmeter shows them. */
export const ohmsRead = (ohms: number): Reading =>
  readsOpen(ohms) ? { kind: 'open', dimension: 'resistance' } : { kind: 'value', value: ohms, dimension: 'resistance' };

/** The same as a simulated technician reads it, the leads included. */
export function reportOhms(reading: Reading, truth: Prediction, random: Random): Reading {
  const stands = met(truth, random) ?? (reading.kind === 'value' ? reading.value : Infinity);
  if (readsOpen(stands)) return ohmsRead(stands);
  const value = stands * (1 + INSTRUMENTS.ohmsShare * random.normal()) + INSTRUMENTS.leadOhms * random.next();
  return ohmsRead(Math.max(0, value));
}
