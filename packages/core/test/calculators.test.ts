import Qty from 'js-quantities';
import * as c from '../src/bench/calculators';

/** Units by a library that is not ours; what it lacks is written out (NIST SP 811). */
const si = (value: number, unit: string): number => Qty(value, unit).toBase().scalar;
const BTU = 1055.056;
const FOOT = si(1, 'ft');
const CUBIC_FOOT = FOOT ** 3;
const INCH_OF_WATER = 249.089;
const PSI = si(1, 'psi');
const fahrenheit = (f: number): number => (f + 459.67) / 1.8;
const celsius = (t: number): number => t + 273.15;
const gpm = (flow: number): number => (flow * 231 * si(1, 'in') ** 3) / 60;
const cfm = (flow: number): number => (flow * CUBIC_FOOT) / 60;
const btuPerHour = (input: number): number => (input * BTU) / 3600;
/** To four figures, as a handbook gives it. */
const near = (value: number, wanted: number): void => expect(value / wanted).toBeCloseTo(1, 3);

const NATURAL = (1037 * BTU) / CUBIC_FOOT;
const PROPANE = (2516 * BTU) / CUBIC_FOOT;

// Worked examples: common practice, no source, where none is named.
test('clocking the meter', () => {
  near(c.meteredInput(NATURAL, 2 * CUBIC_FOOT, 60) / btuPerHour(1), 124_400);
  const share = c.meteredShare(14.696 * PSI, 7 * INCH_OF_WATER, fahrenheit(40));
  near(share, 1.055);
  near(c.meteredInput(NATURAL, 2 * CUBIC_FOOT, 60, share) / btuPerHour(1), 131_300);
  near(c.meteredInput(PROPANE, 0.5 * CUBIC_FOOT, 45) / btuPerHour(1), 100_600);
  // A compensated meter has no factor of temperature.
  near(c.meteredShare(14.73 * PSI, 0), 1);
});

test('less input high up, by the code and by the air', () => {
  expect(c.codeDerate(5000 * FOOT)).toBeCloseTo(0.8, 4);
  expect(c.codeDerate(7000 * FOOT)).toBeCloseTo(0.72, 4);
  expect(c.codeDerate(2000 * FOOT)).toBe(1);
  near(Math.sqrt(c.airDensityRatio(5000 * FOOT)), 0.9122);
  near(c.airDensityRatio(5000 * FOOT), 0.832);
  expect(() => c.airDensityRatio(12_000)).toThrow(/11 km/);
});

test('air and water that carry heat', () => {
  // 1.08 and 500 of the trade are these densities and heats, rounded: to one per cent.
  expect(c.airFor(btuPerHour(64_000), 55 / 1.8) / cfm(1)).toBeCloseTo(1077, -1);
  expect(c.airFor(btuPerHour(64_000), 55 / 1.8, c.airDensityRatio(5000 * FOOT)) / cfm(1)).toBeCloseTo(1295, -1);
  near(c.heatOfAir(0.5, 30), 18_170);
  const cold = c.waterDensity(fahrenheit(60));
  expect(c.heatOfWater(gpm(4), 20 / 1.8, cold) / btuPerHour(1) / 40_000).toBeCloseTo(1, 2);
  expect(c.heatOfWater(gpm(1), 1 / 1.8, c.waterDensity(fahrenheit(140))) / btuPerHour(1)).toBeCloseTo(492.3, 0);
  near(c.heatOfWater(0.2e-3, 11, 998), 9191);
  expect(c.waterFor(btuPerHour(100_000), 20 / 1.8, cold) / gpm(1)).toBeCloseTo(10, 1);
});

test('what is left of the air in flue gas (stoichiometry)', () => {
  near(c.mostDioxide(c.METHANE), 0.117);
  near(c.mostDioxide(c.PROPANE), 0.1372);
  near(c.airFree(85e-6, 0.08)!, 137.7e-6);
  expect(c.airFree(60e-6, 0.18)).toBeUndefined();
  near(c.excessByOxygen(c.METHANE, 0.05), 0.2815);
  near(c.excessByDioxide(c.PROPANE, 0.1), 0.3408);
  // Both ways of reckoning meet on a mixture that burns wholly.
  const oxygen = 0.05;
  const dioxide = (c.mostDioxide(c.METHANE) * (0.209 - oxygen)) / 0.209;
  near(c.excessByDioxide(c.METHANE, dioxide), c.excessByOxygen(c.METHANE, oxygen));
});

test('stack loss (first ordinance of the German BImSchV, from memory)', () => {
  near(c.stackLoss('natural', celsius(180), celsius(20), 0.05), 0.0804);
  near(c.stackLoss('propane', celsius(200), celsius(20), 0.06), 0.09);
  near(c.stackLoss('oil', celsius(220), celsius(20), 0.04), 0.094);
  expect(() => c.stackLoss('natural', celsius(45), celsius(20), 0.05)).toThrow(/condenses/);
  expect(() => c.stackLoss('natural', celsius(180), celsius(20), 0.16)).toThrow(/diluted/);
});

test('orifices, and what another gas does to them', () => {
  const flow = (inches: number, head: number, gravity: number): number =>
    c.orificeFlow(inches * 0.0254, head * INCH_OF_WATER, gravity, 0.9) / (CUBIC_FOOT / 3600);
  near(flow(0.0935, 3.5, 0.6), 24.71);
  near(flow(0.055, 10, 1.52) * 2516, 22_850);
  near(flow(0.098, 3.5, 0.6) / flow(0.0935, 3.5, 0.6) - 1, 0.09857);
  const natural = { heatingValue: 1037, gravity: 0.6, pressure: 3.5 };
  const propane = (pressure: number): c.GasAtOrifice => ({ heatingValue: 2516, gravity: 1.52, pressure });
  near(c.conversionRatio(propane(10), natural), 0.623);
  near(c.conversionRatio(propane(11), natural), 0.6083);
  near(0.0935 * c.conversionRatio(propane(10), natural), 0.05825);
  near(c.inputRatio(propane(10), natural), 2.577);
});

test('a supply under load, and who starves first', () => {
  const propane = c.supplyFrom({ input: 7, pressure: 11.2 }, { input: 27, pressure: 9 });
  near(propane.k, 0.003235);
  near(propane.idle, 11.36);
  const pressure = c.pressureAt(propane, 57);
  near(pressure, 0.8471);
  const running = [
    { title: 'water heater', least: 8 },
    { title: 'furnace', least: 9.5 },
  ];
  expect(c.starvesFirst(pressure, running)?.title).toBe('furnace');
  expect(c.starvesFirst(9.7, running)).toBeUndefined();
  near(c.pressureAt(c.supplyFrom({ input: 0, pressure: 7.2 }, { input: 180, pressure: 6.6 }), 300), 5.533);
  expect(() => c.supplyFrom({ input: 20, pressure: 7 }, { input: 25, pressure: 6.9 })).toThrow(/half as much again/);
});

test('gas in a pipe: rows of the table of half-inch pipe (NFPA 54, from memory)', () => {
  const carries = (loss: number): number =>
    c.pipeFlow('natural', 0.622 * 0.0254, 10 * FOOT, loss * INCH_OF_WATER) / (CUBIC_FOOT / 3600);
  expect(carries(0.5)).toBeCloseTo(173, 0);
  expect(carries(0.3)).toBeCloseTo(131.3, 0);
  near(c.pipeLoss('natural', 0.824 * 0.0254, 60 * FOOT, (150 * CUBIC_FOOT) / 3600) / INCH_OF_WATER, 0.5883);
});

test('saturated steam (IAPWS-IF97, verification values of region 4, from memory)', () => {
  for (const [megapascal, kelvin] of [
    [0.1, 372.755919],
    [1, 453.035632],
    [10, 584.149488],
  ] as const)
    expect(c.saturationTemperature(megapascal * 1e6)).toBeCloseTo(kelvin, 6);
  for (const [kelvin, megapascal] of [
    [300, 0.353658941e-2],
    [500, 2.63889776],
    [600, 12.3443146],
  ] as const)
    expect(c.saturationPressure(kelvin) / 1e6 / megapascal).toBeCloseTo(1, 8);
  const gauge = (psi: number): number => 1.8 * c.saturationTemperature((psi + 14.696) * PSI) - 459.67;
  expect(gauge(0)).toBeCloseTo(212, 0);
  expect(gauge(2)).toBeCloseTo(218.5, 1);
  expect(gauge(15)).toBeCloseTo(249.7, 1);
  expect(() => c.saturationTemperature(100)).toThrow(/611 Pa/);
  expect(() => c.saturationPressure(700)).toThrow(/374/);
});

test('copper: windings (IEC 60028) and wires (ASTM B258), from memory', () => {
  near(c.copperAt(15, celsius(20), celsius(60)), 17.36);
  near(c.copperAt(13.2, celsius(2), celsius(20)), 14.2);
  near(c.copperWarmth(15, celsius(20), 18.6) - 273.15, 81.07);
  near(c.wireOhms(18) * 1000 * FOOT, 6.385);
  near(c.wireOhms(14) * 1000 * FOOT, 2.525);
  near(c.wireDrop(14, 20 * FOOT, 8), 0.8081);
  expect(c.wireDiameter(36)).toBeCloseTo(0.127e-3, 9);
});

test('elements, sources, capacitors, motors, loops', () => {
  expect(c.elementOhms(120, 1440)).toBe(10);
  near(c.elementPower(1440, 120, 108), 1166);
  near(c.loadedVolts(29e-3, 0.02, 0.02), 14.5e-3);
  near(c.loadedVolts(29e-3, 0.27, 0.02), 2e-3);
  near(c.sourceOhms(560, 240, 2), 2.667);
  near(c.runningCapacitance(0.68, 370, 60), 4.875e-6);
  near(c.runningCapacitance(1.2, 330, 60), 9.646e-6);
  near(c.runningCapacitance(0.55, 400, 50), 4.377e-6);
  near(c.slip(4, 1725, 60), 0.04167);
  near(c.slip(6, 1075, 60), 0.1042);
  near(c.slip(2, 3450, 60), 0.04167);
  near(c.throughLoop(4.2, 10), 0.42);
});

test('rectified volts by what the meter is set to (integrals of the wave)', () => {
  const { full, half, sine } = c.RECTIFIED;
  expect([full.direct, full.trueRms, full.averaging, full.both].map((x) => x.toFixed(4))).toEqual([
    '0.9003',
    '0.4352',
    '0.4210',
    '1.0000',
  ]);
  expect([half.direct, half.trueRms, half.averaging, half.both].map((x) => x.toFixed(4))).toEqual([
    '0.4502',
    '0.5453',
    '0.5511',
    '0.7071',
  ]);
  expect(sine).toEqual({ direct: 0, trueRms: 1, averaging: 1, both: 1 });
  near(118 * full.trueRms, 51.36);
  near(118 * full.averaging, 49.68);
});

test('water that grows as it warms (CRC Handbook, ASHRAE, from memory)', () => {
  near(c.waterDensity(celsius(60)), 983.2);
  const gallons = c.expansion(50, celsius(10), celsius(60));
  near(gallons, 0.8391);
  near(c.expansionTank(gallons, (50 + 14.696) * PSI, (150 + 14.696) * PSI), 1.382);
  expect(() => c.waterDensity(celsius(120))).toThrow(/100 °C/);
});
