import {
  airDensityRatio,
  codeDerate,
  conversionRatio,
  inputRatio,
  meteredInput,
  meteredShare,
  orificeFlow,
  pipeFlow,
  pipeLoss,
  pressureAt,
  supplyFrom,
} from '../calculators';
import { choice, plate } from '../asked';
import { BTU_PER_CUBIC_FOOT, CUBIC_FOOT_PER_HOUR, INCH_OF_WATER, WATT_PER_BTU_H } from '../factors';
import { LIMITS } from '../limits';
import type { Given } from '../spec';
import { expanded } from '../uncertainty';
import { judgedResult, type Result, type Worksheet } from './worksheet';

/** Heating values, Btu/ft³ (EIA, from memory), and gravity beside air. */
const GASES = { natural: { heat: 1037, gravity: 0.6 }, propane: { heat: 2516, gravity: 1.52 } } as const;
type Gas = keyof typeof GASES;
const GAS = choice('gas', 'Gas', { natural: 'natural gas', propane: 'propane' });
const gasOf = (given: Given): (typeof GASES)[Gas] => GASES[given.choice('gas') as Gas];
const heatOf = (given: Given): number => (given.number('heat') ?? gasOf(given).heat) * BTU_PER_CUBIC_FOOT;
const HEAT = plate.count('heat', 'Heating value of the supplier, Btu/ft³', '1037', { need: 'maybe' });

const metered = (given: Given): { readonly input: number; readonly share: number } => {
  const barometric = given.number('air');
  const share = barometric === undefined ? 1 : meteredShare(barometric, given.number('gauge') ?? 0, given.number('T'));
  return { share, input: meteredInput(heatOf(given), given.number('volume')!, given.number('time')!, share) };
};

const CLOCKED = [
  GAS,
  HEAT,
  plate.cubicFeet('volume', 'Gas counted, whole revolutions', '2'),
  plate.seconds('time', 'In, seconds', '60'),
  plate.psi('air', 'Pressure of the air, psi absolute', '14.696', { need: 'maybe' }),
  plate.pressure('gauge', 'Pressure of the gas at the meter', '7', { need: 'maybe' }),
  plate.warmth('T', 'Temperature of the gas (none for a meter that compensates)', '40 F', { need: 'maybe' }),
];

export const CLOCKING: Worksheet = {
  id: 'meter-clocking',
  number: 1,
  title: 'Input by clocking the meter',
  formula: 'Q = 3600·HV·V·F/t, F = (p_b + p_g)/14.73 psi · 519.67 °R/T',
  source: 'Heating values EIA; standard conditions 14.73 psi, 60 °F. From memory.',
  trap: 'Propane reckoned with 1037 Btu/ft³, or turns of the half-foot dial counted as one foot. A minute at least, whole turns, all else off.',
  asks: CLOCKED,
  work: (given) => {
    const { input, share } = metered(given);
    const results: Result[] = [
      { title: 'Input', value: input, dimension: 'power' },
      { title: 'Input', value: input / WATT_PER_BTU_H, unit: 'Btu/h' },
      { title: 'Factor of pressure and temperature', value: share },
    ];
    return results;
  },
  curve: { of: 'time', from: 20, to: 180, result: 1 },
};

export const RATE: Worksheet = {
  id: 'firing-rate',
  number: 2,
  title: 'Firing rate against the plate',
  formula: 'r = Q/(plate · derate)',
  source: 'Limits: common practice, no source. Derate: NFPA 54, from memory.',
  trap: 'Output taken for input. Derated twice, where the heating value is the local one.',
  asks: [
    ...CLOCKED,
    plate.heat('plate', 'Input of the plate', '100000'),
    plate.feet('altitude', 'Altitude', '0 ft', { need: 'maybe' }),
  ],
  work: (given) => {
    const { input } = metered(given);
    const derate = codeDerate(given.number('altitude') ?? 0);
    const value = input / (given.number('plate')! * derate);
    const heat = given.number('heat') === undefined ? 0.03 : 0.005;
    const x = { value, u: value * expanded(heat, 0.01, 0.5 / given.number('time')!) };
    return [
      judgedResult('Rate beside the plate', x, LIMITS['rate-of-plate'], 'fraction'),
      { title: 'Input', value: input / WATT_PER_BTU_H, unit: 'Btu/h' },
      { title: 'Derate', value: derate },
    ];
  },
};

export const ORIFICE: Worksheet = {
  id: 'orifice',
  number: 7,
  title: 'Orifice from pressure and input',
  formula: 'q = C_d·A·√(2·Δp/(1.2227·sg)); ft³/h = 1656·C_d·A·√(h/sg)',
  source: 'Derived; NFPA 54 has 1658.5, from memory.',
  trap: 'A drill number taken for a diameter, millimetres for inches.',
  asks: [
    GAS,
    plate.inch('diameter', 'Diameter', '0.0935'),
    plate.pressure('pressure', 'Pressure ahead of it', '3.5'),
    plate.count('cd', 'Coefficient, 0.80 to 0.90', '0.9'),
    HEAT,
  ],
  work: (given) => {
    const cd = given.number('cd')!;
    if (cd < 0.6 || cd > 1)
      throw new RangeError('A coefficient lies between 0.8 and 0.9: take 0.85 where none is known.');
    const flow = orificeFlow(given.number('diameter')!, given.number('pressure')!, gasOf(given).gravity, cd);
    return [
      { title: 'Gas', value: flow / CUBIC_FOOT_PER_HOUR, unit: 'ft³/h' },
      { title: 'Input', value: (flow * heatOf(given)) / WATT_PER_BTU_H, unit: 'Btu/h' },
      { title: 'Input', value: flow * heatOf(given), dimension: 'power' },
    ];
  },
  curve: { of: 'pressure', from: 250, to: 3500, result: 1 },
};

export const ALTITUDE: Worksheet = {
  id: 'altitude',
  number: 8,
  title: 'Altitude derate',
  formula: '1 − 0.04·ft/1000 above 2000 ft, from sea level; the same spud by itself: √σ',
  source: 'NFPA 54; standard atmosphere ASHRAE. From memory. The plate or the maker comes first.',
  trap: 'Metres taken for feet; derated twice.',
  asks: [plate.feet('altitude', 'Altitude', '5000 ft')],
  work: (given) => {
    const altitude = given.number('altitude')!;
    return [
      { title: 'Share of the plate by the code', value: codeDerate(altitude) },
      { title: 'What the same orifice gives by itself', value: Math.sqrt(airDensityRatio(altitude)) },
      { title: 'Density of the air beside sea level', value: airDensityRatio(altitude) },
    ];
  },
  curve: { of: 'altitude', from: 0, to: 3000, result: 0 },
};

export const CONVERSION: Worksheet = {
  id: 'conversion',
  number: 9,
  title: 'Conversion to another gas',
  formula: 'd_new/d_old = [(HV_old/HV_new)·√(sg_new/sg_old)·√(p_old/p_new)]^½',
  source: 'Derived.',
  trap: 'Natural spuds on propane at 10 in give 2.6 times the input; propane spuds on natural at 3.5 give 0.39 of it. Only a kit of the maker, by a licensed person.',
  asks: [
    choice('to', 'To', { propane: 'propane, from natural gas', natural: 'natural gas, from propane' }),
    plate.pressure('old', 'Pressure before', '3.5'),
    plate.pressure('new', 'Pressure afterwards', '10'),
    plate.inch('diameter', 'Diameter before', '0.0935', { need: 'maybe' }),
  ],
  work: (given) => {
    const to = given.choice('to') as Gas;
    const gas = (g: Gas, pressure: number) => ({ heatingValue: GASES[g].heat, gravity: GASES[g].gravity, pressure });
    const before = gas(to === 'propane' ? 'natural' : 'propane', given.number('old')!);
    const after = gas(to, given.number('new')!);
    const ratio = conversionRatio(after, before);
    const diameter = given.number('diameter');
    return [
      { title: 'Diameter, times', value: ratio },
      ...(diameter === undefined ? [] : [{ title: 'New diameter', value: (diameter * ratio) / 0.0254, unit: 'in' }]),
      { title: 'Input with the old spuds, times', value: inputRatio(after, before) },
    ];
  },
};

export const SUPPLY: Worksheet = {
  id: 'supply-under-load',
  number: 10,
  title: 'Supply under load',
  formula: 'p = p0 − k·(ΣQ)², from two readings',
  source: 'Common practice, no source: turbulent flow, exponent 1.8 to 2.',
  trap: 'Lock-up of a regulator taken for p0. The two loads have to lie apart: half as much again at least.',
  asks: [
    plate.heat('q1', 'Input that burns, first', '7000'),
    plate.pressure('p1', 'Pressure, first', '11.2'),
    plate.heat('q2', 'Input that burns, second', '27000'),
    plate.pressure('p2', 'Pressure, second', '9.0'),
    plate.heat('all', 'With everything on', '57000'),
    plate.pressure('least', 'Least that the appliance needs', '9.5', { need: 'maybe' }),
  ],
  work: (given) => {
    const at = (n: string) => ({ input: given.number(`q${n}`)!, pressure: given.number(`p${n}`)! });
    const supply = supplyFrom(at('1'), at('2'));
    const all = pressureAt(supply, given.number('all')!);
    const least = given.number('least');
    const starves = least !== undefined && all < least;
    return [
      {
        title: 'Pressure with everything on',
        value: all / INCH_OF_WATER,
        unit: 'in w.c.',
        ...(starves && {
          instead: 'starves',
          verdict: 'bad' as const,
          because:
            'Below what the appliance needs a number says nothing any more: its own flow falls. Pipe, regulator or meter.',
        }),
      },
      { title: 'Pressure with nothing on', value: supply.idle / INCH_OF_WATER, unit: 'in w.c.' },
      { title: 'k', value: (supply.k / INCH_OF_WATER) * (1000 * WATT_PER_BTU_H) ** 2, unit: 'in w.c. per (kBtu/h)²' },
    ];
  },
  curve: { of: 'all', from: 0, to: 30_000, result: 0 },
};

export const PIPE: Worksheet = {
  id: 'gas-pipe',
  number: 11,
  title: 'Gas pipe',
  formula: 'D = Q^0.381/(19.17·(h/(C·L))^0.206)',
  source: 'NFPA 54, below 1.5 psi, from memory.',
  trap: 'The nominal size taken for the inside diameter. Fittings count as length; hoses by their maker.',
  asks: [
    GAS,
    plate.inch('diameter', 'Inside diameter', '0.622'),
    plate.feet('length', 'Length with its fittings', '10 ft'),
    plate.pressure('loss', 'Loss allowed', '0.5'),
    plate.gas('flow', 'Gas that flows', '150', { need: 'maybe' }),
  ],
  work: (given) => {
    const [gas, d, l] = [given.choice('gas') as Gas, given.number('diameter')!, given.number('length')!];
    const flow = given.number('flow');
    return [
      {
        title: 'It lets through',
        value: pipeFlow(gas, d, l, given.number('loss')!) / CUBIC_FOOT_PER_HOUR,
        unit: 'ft³/h',
      },
      ...(flow === undefined
        ? []
        : [{ title: 'What flows loses', value: pipeLoss(gas, d, l, flow) / INCH_OF_WATER, unit: 'in w.c.' }]),
    ];
  },
  curve: { of: 'length', from: 1, to: 40, result: 0 },
};
