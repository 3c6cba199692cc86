import { type Accuracy, expanded, offBy } from './uncertainty';
import { COPPER_ALPHA_20, windingAt20 } from './winding';
import type { Uncertain } from './zones';

/** A reading as its instrument gives it, corrected for nothing. */
export const measured = (reading: number, instrument: Accuracy): Uncertain => ({
  value: reading,
  u: expanded(offBy(instrument, reading)),
});

/** Ohms without those of the leads. */
export const measuredOhms = (reading: number, instrument: Accuracy, leads: Uncertain): Uncertain => ({
  value: Math.max(0, reading - leads.value),
  u: expanded(offBy(instrument, reading), leads.u),
});

/** Ohms of a copper winding at 20 °C, without those of the leads; its temperature in K, as well as it is known. */
export function measuredWinding(reading: number, instrument: Accuracy, leads: Uncertain, at: Uncertain): Uncertain {
  const net = Math.max(0, reading - leads.value);
  const value = windingAt20(net, at.value);
  // How much a value at 20 °C moves with one ohm read, and with one kelvin of the winding.
  const perOhm = windingAt20(1, at.value);
  const perKelvin = value * COPPER_ALPHA_20 * perOhm;
  return { value, u: expanded(offBy(instrument, reading) * perOhm, leads.u * perOhm, perKelvin * at.u) };
}

/** A value that goes by another one read with it, such as a secondary by its primary: multiplied, shares of both added. */
export function measuredTimes(one: Uncertain, by: Uncertain, times: number): Uncertain {
  const value = one.value * times;
  return { value, u: Math.abs(value) * Math.hypot(one.u / one.value, by.u / by.value) };
}
