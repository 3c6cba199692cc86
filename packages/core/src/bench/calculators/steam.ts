/** Coefficients of the saturation line, region 4 (IAPWS-IF97, table 34). */
const N = [
  0.11670521452767e4, -0.72421316703206e6, -0.17073846940092e2, 0.1202082470247e5, -0.32325550322333e7,
  0.1491510861353e2, -0.48232657361591e4, 0.40511340542057e6, -0.23855557567849, 0.65017534844798e3,
] as const;
const [n1, n2, n3, n4, n5, n6, n7, n8, n9, n10] = N;
const [COLDEST, CRITICAL] = [273.15, 647.096];

/**
 * Pressure of saturated steam (IAPWS-IF97, equation 30). K → Pa, absolute.
 * @throws RangeError outside 273.15 to 647.096 K
 */
export function saturationPressure(kelvin: number): number {
  if (!(kelvin >= COLDEST && kelvin <= CRITICAL)) throw new RangeError('Steam is reckoned from 0 °C to 374 °C.');
  const theta = kelvin + n9 / (kelvin - n10);
  const a = theta ** 2 + n1 * theta + n2;
  const b = n3 * theta ** 2 + n4 * theta + n5;
  const c = n6 * theta ** 2 + n7 * theta + n8;
  return ((2 * c) / (-b + Math.sqrt(b ** 2 - 4 * a * c))) ** 4 * 1e6;
}

/**
 * Temperature of saturated steam (IAPWS-IF97, equation 31). Pa, absolute → K.
 * @throws RangeError outside 611.213 Pa to 22.064 MPa
 */
export function saturationTemperature(pascal: number): number {
  if (!(pascal >= 611.212 && pascal <= 22.0641e6))
    throw new RangeError('Steam is reckoned from 611 Pa to 22 MPa, absolute.');
  const beta = (pascal / 1e6) ** 0.25;
  const e = beta ** 2 + n3 * beta + n6;
  const f = n1 * beta ** 2 + n4 * beta + n7;
  const g = n2 * beta ** 2 + n5 * beta + n8;
  const d = (2 * g) / (-f - Math.sqrt(f ** 2 - 4 * e * g));
  return (n10 + d - Math.sqrt((n10 + d) ** 2 - 4 * (n9 + n10 * d))) / 2;
}
