/** Density of dry air at 20 °C and sea level, kg/m³, and its specific heat, J/(kg·K) (ASHRAE Handbook, from memory). */
const AIR_DENSITY = 1.204;
const AIR_HEAT = 1006;
/** Specific heat of water, J/(kg·K). */
const WATER_HEAT = 4186;

/**
 * Density of the air at an altitude beside that at sea level, for the standard atmosphere up to 11 km.
 * σ = (1 − 2.25577·10⁻⁵·z)^5.25588 (ASHRAE Handbook, Fundamentals, from memory).
 * @param altitude m
 * @throws RangeError above 11 km
 */
export function airDensityRatio(altitude: number): number {
  if (!(altitude < 11_000)) throw new RangeError('The standard atmosphere goes up to 11 km.');
  return (1 - 2.25577e-5 * altitude) ** 5.25588;
}

/**
 * Heat that moved air takes up: q = ρ·c·V̇·ΔT.
 * @param flow m³/s
 * @param rise K, a difference
 * @param ratio of the air's density; see `airDensityRatio`
 * @returns W
 */
export const heatOfAir = (flow: number, rise: number, ratio = 1): number =>
  AIR_DENSITY * ratio * AIR_HEAT * flow * rise;

/** The same as it is reckoned at work, in cfm, °F and Btu/h: q = 1.08·σ·cfm·ΔT. Common practice, no source. */
export const US_HEAT_OF_AIR = 1.08;

/** Air that takes up a heat at a rise: the inverse of `heatOfAir`. W, K → m³/s. */
export const airFor = (heat: number, rise: number, ratio = 1): number => heat / heatOfAir(1, rise, ratio);

/**
 * Heat that moved water takes up: q = ρ·c·V̇·ΔT. Not for glycol.
 * @param flow m³/s
 * @param rise K, a difference
 * @param density kg/m³; see `waterDensity`
 * @returns W
 */
export const heatOfWater = (flow: number, rise: number, density: number): number => density * WATER_HEAT * flow * rise;

/** Water that takes up a heat at a rise: the inverse of `heatOfWater`. W, K → m³/s. */
export const waterFor = (heat: number, rise: number, density: number): number => heat / heatOfWater(1, rise, density);

/**
 * Density of water at one atmosphere, kg/m³, 0–100 °C (Kell 1975, as in the CRC Handbook, from memory).
 * @throws RangeError outside
 */
export function waterDensity(kelvin: number): number {
  const t = kelvin - 273.15;
  if (!(t >= 0 && t <= 100)) throw new RangeError('Water is reckoned from 0 to 100 °C.');
  const over =
    999.83952 +
    16.945176 * t -
    7.9870401e-3 * t ** 2 -
    46.170461e-6 * t ** 3 +
    105.56302e-9 * t ** 4 -
    280.54253e-12 * t ** 5;
  return over / (1 + 16.87985e-3 * t);
}

/**
 * By how much water grows as it warms: ΔV = V·(ρ1/ρ2 − 1).
 * @param volume m³; temperatures K
 */
export const expansion = (volume: number, cold: number, hot: number): number =>
  volume * (waterDensity(cold) / waterDensity(hot) - 1);

/**
 * Size of a diaphragm tank that takes an expansion between two pressures: ΔV/(1 − p_f/p_o), absolute (ASHRAE, from memory).
 * @param growth m³; pressures Pa, absolute
 */
export const expansionTank = (growth: number, filled: number, relief: number): number => growth / (1 - filled / relief);
