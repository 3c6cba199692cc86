import { PSI } from '../factors';

/** Standard conditions of metered gas in North America: 14.73 psi absolute and 60 °F, in Pa and K. */
const STANDARD_PRESSURE = 14.73 * PSI;
const STANDARD_TEMPERATURE = 519.67 / 1.8;

/**
 * What a metered volume of gas is at standard conditions, as a share of the volume read.
 * F = (p_b + p_g)/14.73 psi · 519.67 °R/T. A meter that compensates for temperature has no temperature factor.
 * @param barometric pressure of the air, Pa
 * @param gauge pressure of the gas above it, Pa
 * @param kelvin temperature of the gas; nothing for a meter that compensates
 */
export const meteredShare = (barometric: number, gauge: number, kelvin?: number): number =>
  ((barometric + gauge) / STANDARD_PRESSURE) * (kelvin === undefined ? 1 : STANDARD_TEMPERATURE / kelvin);

/**
 * Input of an appliance from its meter: heating value times volume over time.
 * @param heatingValue J/m³ at standard conditions (natural gas 1037, propane 2516 Btu/ft³: EIA, from memory)
 * @param volume m³ of whole revolutions, other appliances off
 * @param seconds a minute at least
 * @param share see `meteredShare`
 * @returns W
 */
export const meteredInput = (heatingValue: number, volume: number, seconds: number, share = 1): number =>
  (heatingValue * volume * share) / seconds;

/**
 * Input to be expected high up, as a share of the plate: 4 % less for each 1000 ft from sea level, above 2000 ft (NFPA 54, from
 * memory). The plate or the maker comes first.
 * @param altitude m
 */
export function codeDerate(altitude: number): number {
  const feet = altitude / 0.3048;
  return feet <= 2000 ? 1 : 1 - 0.04 * (feet / 1000);
}
