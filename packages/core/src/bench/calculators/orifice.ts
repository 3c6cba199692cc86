/** Density of air at 60 °F and one atmosphere, kg/m³: what specific gravity counts from. */
const AIR = 1.2227;

/**
 * Gas through an orifice: q = C_d·A·√(2Δp/(ρ_air·sg)).
 * @param diameter m
 * @param pressure ahead of it, Pa above the air's
 * @param gravity of the gas beside air: natural gas 0.60, propane 1.52
 * @param coefficient of discharge, 0.80 to 0.90
 * @returns m³/s
 */
export const orificeFlow = (diameter: number, pressure: number, gravity: number, coefficient: number): number =>
  coefficient * (Math.PI / 4) * diameter ** 2 * Math.sqrt((2 * pressure) / (AIR * gravity));

/** A gas at the orifice: heating value J/m³ (or any one unit for both), specific gravity, pressure Pa (or any one unit for both). */
export interface GasAtOrifice {
  readonly heatingValue: number;
  readonly gravity: number;
  readonly pressure: number;
}

/** Input of a gas through one and the same orifice beside that of another gas. */
export const inputRatio = (now: GasAtOrifice, before: GasAtOrifice): number =>
  (now.heatingValue / before.heatingValue) *
  Math.sqrt(((before.gravity / now.gravity) * now.pressure) / before.pressure);

/** By what the diameter of an orifice changes so that another gas gives the same input: the root of the inverse ratio. */
export const conversionRatio = (to: GasAtOrifice, from: GasAtOrifice): number => 1 / Math.sqrt(inputRatio(to, from));
