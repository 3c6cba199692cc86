/** Temperature coefficient of copper at 20 °C, per kelvin (IEC 60028). */
export const COPPER_ALPHA_20 = 0.00393;

const T20 = 293.15;

/**
 * Resistance a copper winding would have at 20 °C, from a reading at another temperature.
 * R20 = R / (1 + α20·(T − 20 °C)), IEC 60028. Ohms and kelvin.
 */
export function windingAt20(ohms: number, kelvin: number): number {
  return ohms / (1 + COPPER_ALPHA_20 * (kelvin - T20));
}

/** Resistance a copper winding of so many ohms at 20 °C has at another temperature: R = R20·(1 + α20·(T − 20 °C)), IEC 60028. */
export function windingAt(ohmsAt20: number, kelvin: number): number {
  return ohmsAt20 * (1 + COPPER_ALPHA_20 * (kelvin - T20));
}

/** Takes the resistance of the meter leads off a reading; never below zero. Ohms. */
export function withoutLeads(ohms: number, leads: number): number {
  return Math.max(0, ohms - leads);
}
