/** The air and steam of the calculators beside a library that is not ours (psychrolib: formulas of the ASHRAE Handbook, Fundamentals). */
// eslint-disable-next-line @typescript-eslint/no-require-imports -- it has no types, and no modules
const psychrolib = require('psychrolib') as {
  readonly SI: number;
  SetUnitSystem(system: number): void;
  /** Pa at an altitude, m. */
  GetStandardAtmPressure(altitude: number): number;
  /** kg/m³ of dry air at °C and Pa. */
  GetDryAirDensity(celsius: number, pascal: number): number;
  /** Pa of saturated vapour over water at °C. */
  GetSatVapPres(celsius: number): number;
};
import * as c from '../src/bench/calculators';

beforeAll(() => psychrolib.SetUnitSystem(psychrolib.SI));

test.each([0, 300, 610, 1524, 2134, 3000])(
  'the density ratio at %d m is that of dry air at the standard pressure there',
  (altitude) => {
    const at = (m: number): number => psychrolib.GetDryAirDensity(20, psychrolib.GetStandardAtmPressure(m));
    expect(c.airDensityRatio(altitude)).toBeCloseTo(at(altitude) / at(0), 4);
  },
);

test('air of 20 °C at sea level is as dense as the heat of air counts with', () => {
  const density = psychrolib.GetDryAirDensity(20, psychrolib.GetStandardAtmPressure(0));
  // 1 m³/s warmed by 1 K, c 1006 J/(kg K).
  expect(c.heatOfAir(1, 1) / (density * 1006)).toBeCloseTo(1, 3);
});

test.each([1, 10, 20, 40, 60, 80, 99])(
  'saturated steam at %d °C is within a thousandth of the handbook’s',
  (celsius) => {
    expect(Math.abs(c.saturationPressure(celsius + 273.15) / psychrolib.GetSatVapPres(celsius) - 1)).toBeLessThan(
      0.001,
    );
  },
);

test('water boils at a lower temperature up a mountain, as the handbook’s pressures say', () => {
  for (const altitude of [0, 1524, 3000]) {
    const boils = c.saturationTemperature(psychrolib.GetStandardAtmPressure(altitude)) - 273.15;
    expect(psychrolib.GetSatVapPres(boils) / psychrolib.GetStandardAtmPressure(altitude)).toBeCloseTo(1, 2);
  }
});
