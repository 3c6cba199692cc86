import type { Given, Worked } from './spec';
import { COPPER_ALPHA_20, windingAt20 } from './winding';
import { expanded } from './uncertainty';
import type { Uncertain, Zones } from './zones';

/** Ohms without those of the leads. */
export const netOhms = (given: Given, id = 'ohms'): Uncertain => ({
  value: Math.max(0, given.number(id)! - given.leads.value),
  u: expanded(given.off(id), given.leads.u),
});

/** Ohms of a copper winding at 20 °C, without those of the leads. */
export function windingOhms(given: Given, id = 'ohms'): Uncertain {
  const perOhm = windingAt20(1, given.warmth.value);
  const value = netOhms(given, id).value * perOhm;
  const perKelvin = value * COPPER_ALPHA_20 * perOhm;
  return { value, u: expanded(given.off(id) * perOhm, given.leads.u * perOhm, perKelvin * given.warmth.u) };
}

/** A share of something that stands on a plate. */
export const shareOf = ({ value, u }: Uncertain, whole: number): Uncertain => ({ value: value / whole, u: u / whole });

/** One reading over another, shares of both widths added; times a factor. */
export function quotient(one: Uncertain, by: Uncertain, times = 1): Uncertain {
  const value = (one.value / by.value) * times;
  return { value, u: Math.hypot((one.u / by.value) * times, (value * by.u) / by.value) };
}

/** Zones so far about a setting, in its unit. */
export const about = (
  setting: number,
  good: number,
  marginal: number,
  unsafe?: Zones['unsafe'],
  above = marginal,
): Zones => ({
  good: { from: setting - good, to: setting + good },
  marginal: { from: setting - marginal, to: setting + above },
  ...(unsafe && { unsafe }),
});

export type Work = (given: Given) => Worked | undefined;
