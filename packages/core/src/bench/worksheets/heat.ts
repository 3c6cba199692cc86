import {
  airDensityRatio,
  airFor,
  airFree,
  excessByDioxide,
  excessByOxygen,
  expansion,
  expansionTank,
  heatOfAir,
  heatOfWater,
  METHANE,
  mostDioxide,
  PROPANE,
  saturationPressure,
  saturationTemperature,
  stackLoss,
  US_HEAT_OF_AIR,
  waterDensity,
  waterFor,
} from '../calculators';
import { choice, plate } from '../asked';
import { ATMOSPHERE, CFM, GALLON, GPM, PSI, WATT_PER_BTU_H } from '../factors';
import { LIMITS } from '../limits';
import { expanded } from '../uncertainty';
import { judgedResult, type Result, type Worksheet } from './worksheet';

const fahrenheit = (kelvin: number): number => kelvin * 1.8 - 459.67;

export const AIR: Worksheet = {
  id: 'air',
  number: 3,
  title: 'Air: rise and flow',
  formula: 'q = 1.08·σ·cfm·ΔT°F; in SI q = ρ·1006·V̇·ΔT, ρ = 1.204·σ',
  source: 'ASHRAE Handbook, from memory; air of 20 °C.',
  trap: 'A rise is a difference: 55 °F of rise are 30.6 K, and nothing is added.',
  asks: [
    plate.fahrenheit('rise', 'Rise', '55'),
    plate.heat('heat', 'Heat into the air (output, not input)', '64000', { need: 'maybe' }),
    plate.cfm('flow', 'Air moved', '1077', { need: 'maybe' }),
    plate.feet('altitude', 'Altitude', '0 ft', { need: 'maybe' }),
  ],
  work: (given) => {
    const [rise, heat, flow] = [given.number('rise')!, given.number('heat'), given.number('flow')];
    const ratio = airDensityRatio(given.number('altitude') ?? 0);
    if (!(rise > 0)) throw new RangeError('Without a rise no air is found: read supply and return while it heats.');
    if (heat === undefined && flow === undefined)
      throw new RangeError('Type the heat or the air: the other is worked out.');
    const results: Result[] = [];
    if (heat !== undefined)
      results.push(
        { title: 'Air moved', value: heat / WATT_PER_BTU_H / (US_HEAT_OF_AIR * ratio * rise * 1.8), unit: 'cfm' },
        { title: 'Air moved', value: airFor(heat, rise, ratio), unit: 'm³/s' },
      );
    if (flow !== undefined)
      results.push(
        { title: 'Heat into the air', value: US_HEAT_OF_AIR * ratio * (flow / CFM) * rise * 1.8, unit: 'Btu/h' },
        { title: 'Heat into the air', value: heatOfAir(flow, rise, ratio), dimension: 'power' },
      );
    return results;
  },
  curve: { of: 'rise', from: 10, to: 50, result: 0 },
};

export const WATER: Worksheet = {
  id: 'water',
  number: 4,
  title: 'Water: rise and flow',
  formula: 'q = ρ·c·V̇·ΔT, c = 4186; 500·gpm·ΔT°F at 60 °F',
  source: 'Density CRC Handbook, from memory. No glycol.',
  trap: 'Litres a minute taken for gallons: 3.8 times too much.',
  asks: [
    plate.fahrenheit('rise', 'Rise', '20'),
    plate.warmth('T', 'Water flows at', '60 F', { need: 'maybe' }),
    plate.heat('heat', 'Heat into the water', '100000', { need: 'maybe' }),
    plate.gpm('flow', 'Water moved', '4', { need: 'maybe' }),
  ],
  work: (given) => {
    const [rise, heat, flow] = [given.number('rise')!, given.number('heat'), given.number('flow')];
    if (!(rise > 0)) throw new RangeError('Without a rise no flow is found: read supply and return while it heats.');
    if (heat === undefined && flow === undefined)
      throw new RangeError('Type the heat or the flow: the other is worked out.');
    const density = waterDensity(given.number('T') ?? 288.706);
    const results: Result[] = [];
    if (heat !== undefined)
      results.push({ title: 'Water moved', value: waterFor(heat, rise, density) / GPM, unit: 'gpm' });
    if (flow !== undefined)
      results.push(
        { title: 'Heat into the water', value: heatOfWater(flow, rise, density) / WATT_PER_BTU_H, unit: 'Btu/h' },
        { title: 'Heat into the water', value: heatOfWater(flow, rise, density), dimension: 'power' },
      );
    return results;
  },
  curve: { of: 'rise', from: 3, to: 30, result: 0 },
};

const FUELS = { natural: METHANE, propane: PROPANE } as const;

export const COMBUSTION: Worksheet = {
  id: 'combustion',
  number: 5,
  title: 'Combustion',
  formula: 'CO air-free = CO·20.9/(20.9 − O2); excess = k·O2/(20.9 − O2)',
  source: 'Stoichiometry. Limits: 100 ppm common practice, no source; 400 ppm ANSI Z21, from memory.',
  trap: 'A sample drawn past the draft hood is diluted: 15 % oxygen and more says nothing.',
  asks: [
    choice('gas', 'Gas', { natural: 'natural gas', propane: 'propane' }),
    plate.share('oxygen', 'O2 of the dry flue gas', '8'),
    plate.ppm('monoxide', 'CO', '85', { need: 'maybe' }),
    plate.share('dioxide', 'CO2, if it was read', '10', { need: 'maybe' }),
    choice('rises', 'While it runs the CO', { stands: 'stands', rises: 'rises' }, { need: 'maybe' }),
  ],
  work: (given) => {
    const fuel = FUELS[given.choice('gas') as keyof typeof FUELS];
    const oxygen = given.number('oxygen')!;
    const [monoxide, dioxide] = [given.number('monoxide'), given.number('dioxide')];
    if (oxygen >= 0.15) throw new RangeError('Diluted: take the sample ahead of the draft hood, in the flue itself.');
    return [
      ...(monoxide === undefined ? [] : [judgedMonoxide(monoxide, oxygen, given.choice('rises') === 'rises')]),
      { title: 'Excess air', value: excessByOxygen(fuel, oxygen), dimension: 'fraction' },
      ...(dioxide === undefined
        ? []
        : [{ title: 'Excess air by its CO2', value: excessByDioxide(fuel, dioxide), dimension: 'fraction' as const }]),
      { title: 'Most CO2 it can have', value: mostDioxide(fuel), dimension: 'fraction' },
      { title: 'CO2 at this oxygen', value: (mostDioxide(fuel) * (0.209 - oxygen)) / 0.209, dimension: 'fraction' },
    ];
  },
  curve: { of: 'oxygen', from: 0.01, to: 0.14, result: 0 },
};

/** What an analyser may be off: oxygen 0.2 %, carbon monoxide 20 ppm or 5 % (EN 50379, from memory). */
const OXYGEN_WITHIN = 0.002;
const monoxideWithin = (share: number): number => Math.max(20e-6, 0.05 * share);

function judgedMonoxide(monoxide: number, oxygen: number, rises: boolean): Result {
  const value = airFree(monoxide, oxygen)!;
  // How much it moves with one of CO, and with one of oxygen.
  const [perMonoxide, perOxygen] = [0.209 / (0.209 - oxygen), value / (0.209 - oxygen)];
  const x = { value, u: expanded(perMonoxide * monoxideWithin(monoxide), perOxygen * OXYGEN_WITHIN) };
  const judged = judgedResult('CO, air-free', x, LIMITS['carbon-monoxide'], 'fraction');
  if (rises)
    return {
      ...judged,
      verdict: 'bad',
      because: 'It rises while it runs: shut it down, and find why before it burns again.',
    };
  // Beyond 400 it can hurt somebody: counted from there, near it is already bad.
  return x.value + x.u > 400e-6 ? { ...judged, verdict: 'bad', because: 'It reaches 400 ppm: shut it down.' } : judged;
}

export const STACK: Worksheet = {
  id: 'stack-loss',
  number: 6,
  title: 'Stack loss',
  formula: 'q = (t_flue − t_air)·(A/(21 − O2) + B) %',
  source: 'First ordinance of the German BImSchV, from memory; net input, above the dew point.',
  trap: 'Degrees Fahrenheit in a formula for Celsius: nearly twice the loss. Not for a condensing flue.',
  asks: [
    choice('fuel', 'Fuel', { natural: 'natural gas', propane: 'propane', oil: 'oil' }),
    plate.warmth('flue', 'Flue gas', '180 C'),
    plate.warmth('air', 'Air that it takes in', '20 C'),
    plate.share('oxygen', 'O2 of the dry flue gas', '5'),
  ],
  work: (given) => {
    const fuel = given.choice('fuel') as 'natural' | 'propane' | 'oil';
    const loss = stackLoss(fuel, given.number('flue')!, given.number('air')!, given.number('oxygen')!);
    const gross = { natural: 0.901, propane: 0.921, oil: undefined }[fuel];
    return [
      { title: 'Loss', value: loss, dimension: 'fraction' },
      { title: 'Efficiency, net', value: 1 - loss, dimension: 'fraction' },
      ...(gross === undefined
        ? []
        : [{ title: 'Efficiency, gross', value: (1 - loss) * gross, dimension: 'fraction' as const }]),
    ];
  },
  curve: { of: 'flue', from: 340, to: 560, result: 0 },
};

export const STEAM: Worksheet = {
  id: 'steam',
  number: 12,
  title: 'Saturated steam',
  formula: 'Region 4',
  source: 'IAPWS-IF97.',
  trap: 'Gauge pressure taken for absolute: 15 psi gauge is 249.7 °F, 15 psi absolute 213 °F.',
  asks: [
    choice('from', 'From', { pressure: 'gauge pressure', temperature: 'temperature' }),
    plate.psi('pressure', 'Gauge pressure', '2', { when: { from: 'pressure' }, need: 'maybe' }),
    plate.warmth('T', 'Temperature', '218.5 F', { when: { from: 'temperature' }, need: 'maybe' }),
  ],
  work: (given) => {
    const pressure = given.number('pressure');
    const T = given.number('T');
    if (given.choice('from') === 'pressure') {
      if (pressure === undefined) throw new RangeError('Type the gauge pressure.');
      const kelvin = saturationTemperature(pressure + ATMOSPHERE);
      return [
        { title: 'It boils at', value: fahrenheit(kelvin), unit: '°F' },
        { title: 'It boils at', value: kelvin - 273.15, unit: '°C' },
      ];
    }
    if (T === undefined) throw new RangeError('Type the temperature.');
    return [
      { title: 'Pressure, absolute', value: saturationPressure(T) / PSI, unit: 'psi' },
      { title: 'Gauge pressure', value: (saturationPressure(T) - ATMOSPHERE) / PSI, unit: 'psi' },
    ];
  },
  curve: { of: 'pressure', from: 0, to: 15 * PSI, result: 0 },
};

export const EXPANSION: Worksheet = {
  id: 'expansion',
  number: 21,
  title: 'Water that grows, and its tank',
  formula: 'ΔV = V·(ρ1/ρ2 − 1); tank = ΔV/(1 − p_fill/p_relief), absolute',
  source: 'Density CRC Handbook; tank ASHRAE. From memory. Relief valves of tanks: 210 °F, 150 psi (ANSI Z21.22).',
  trap: 'Gauge pressures instead of absolute: a tank too small.',
  asks: [
    plate.gallons('volume', 'Water', '50'),
    plate.warmth('cold', 'Cold', '10 C'),
    plate.warmth('hot', 'Hot', '60 C'),
    plate.psi('fill', 'Gauge pressure, filled', '50', { need: 'maybe' }),
    plate.psi('relief', 'Gauge pressure of the relief', '150', { need: 'maybe' }),
  ],
  work: (given) => {
    const growth = expansion(given.number('volume')!, given.number('cold')!, given.number('hot')!);
    const [fill, relief] = [given.number('fill'), given.number('relief')];
    return [
      { title: 'It grows by', value: growth / GALLON, unit: 'gal' },
      ...(fill === undefined || relief === undefined
        ? []
        : [
            {
              title: 'Tank, at least',
              value: expansionTank(growth, fill + ATMOSPHERE, relief + ATMOSPHERE) / GALLON,
              unit: 'gal',
            },
          ]),
      { title: 'Density, hot', value: waterDensity(given.number('hot')!), unit: 'kg/m³' },
    ];
  },
  curve: { of: 'hot', from: 285, to: 370, result: 0 },
};
