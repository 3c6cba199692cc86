import {
  copperAt,
  copperWarmth,
  elementOhms,
  elementPower,
  loadedVolts,
  RECTIFIED,
  runningCapacitance,
  slip,
  sourceOhms,
  throughLoop,
  wireDiameter,
  wireDrop,
  wireOhms,
} from '../calculators';
import { amps, choice, plate } from '../asked';
import { INSTRUMENTS_OF_A_BAG, expanded, offBy } from '../uncertainty';
import type { Worksheet } from './worksheet';

export const COPPER: Worksheet = {
  id: 'copper',
  number: 13,
  title: 'Copper at a temperature',
  formula: 'R2 = R1·(1 + α(T2 − 20))/(1 + α(T1 − 20)), α = 0.00393',
  source: 'IEC 60028. −50 to 150 °C.',
  trap: '36 °F typed as 36 °C.',
  asks: [
    plate.ohms('ohms', 'Ohms', '15.0'),
    plate.warmth('T', 'Read at', '20 C'),
    plate.warmth('to', 'At', '60 C', { need: 'maybe' }),
    plate.ohms('hot', 'Or: hot it reads', '18.6', { need: 'maybe' }),
  ],
  work: (given) => {
    const [ohms, T, to, hot] = [given.number('ohms')!, given.number('T')!, given.number('to'), given.number('hot')];
    if (to === undefined && hot === undefined)
      throw new RangeError('Type the other temperature, or what it reads hot.');
    return [
      ...(to === undefined ? [] : [{ title: 'Ohms there', value: copperAt(ohms, T, to), unit: 'Ω' }]),
      ...(hot === undefined
        ? []
        : [{ title: 'It is then at', value: copperWarmth(ohms, T, hot) - 273.15, unit: '°C' }]),
    ];
  },
  curve: { of: 'to', from: 253.15, to: 373.15, result: 0 },
};

export const WIRE: Worksheet = {
  id: 'wire',
  number: 14,
  title: 'Wire: ohms and volts lost',
  formula: 'd = 0.127·92^((36 − n)/39) mm; R = L/(58·A); drop 2·L·I·R',
  source: 'ASTM B258, IEC 60028. Stranded 2 % more.',
  trap: 'One way counted once: the current goes out and back.',
  asks: [
    plate.count('gauge', 'Wire number (AWG)', '14'),
    plate.feet('length', 'One way', '20 ft'),
    plate.amps('amps', 'Current', '8'),
    plate.volts('volts', 'Volts of the source', '12', { need: 'maybe' }),
  ],
  work: (given) => {
    const gauge = given.number('gauge')!;
    if (!(gauge >= -3 && gauge <= 40)) throw new RangeError('Wires go from 4/0 (type −3) to 40.');
    const drop = wireDrop(gauge, given.number('length')!, given.number('amps')!);
    const volts = given.number('volts');
    return [
      { title: 'Volts lost, out and back', value: drop, unit: 'V' },
      ...(volts === undefined ? [] : [{ title: 'Of the source', value: drop / volts, dimension: 'fraction' as const }]),
      { title: 'Ohms of 1000 ft', value: wireOhms(gauge) * 304.8, unit: 'Ω' },
      { title: 'Diameter', value: wireDiameter(gauge) * 1000, unit: 'mm' },
    ];
  },
  curve: { of: 'length', from: 0, to: 30, result: 0 },
};

export const LOADS: Worksheet = {
  id: 'element-and-va',
  number: 15,
  title: 'Element, and VA of a transformer',
  formula: 'R = V²/P; P′ = P·(V′/V)²; I = VA/V',
  source: 'Common practice, no source.',
  trap: 'An element for 240 V on 120: a quarter of the power.',
  asks: [
    plate.volts('volts', 'Volts of the plate', '120'),
    plate.watts('watts', 'Watts or VA of the plate', '1440'),
    plate.volts('at', 'Volts that are there', '108', { need: 'maybe' }),
  ],
  work: (given) => {
    const [volts, watts, at] = [given.number('volts')!, given.number('watts')!, given.number('at')];
    return [
      { title: 'Ohms', value: elementOhms(volts, watts), unit: 'Ω' },
      { title: 'Current', value: watts / volts, unit: 'A' },
      ...(at === undefined
        ? []
        : [{ title: 'Power at what is there', value: elementPower(watts, volts, at), unit: 'W' }]),
    ];
  },
  curve: { of: 'at', from: 60, to: 250, result: 2 },
};

const FUNCTIONS = {
  direct: 'V ⎓',
  trueRms: 'V ~, true RMS',
  averaging: 'V ~, average responding',
  both: 'V ⎓ and ~ together',
} as const;

export const RECTIFIER: Worksheet = {
  id: 'rectified-volts',
  number: 16,
  title: 'Rectified volts by meter function',
  formula: 'factor · volts of the sine ahead of the bridge, less 1.4 V of the bridge',
  source: 'Integrals of the wave.',
  trap: 'The function is not known: then the number says nothing.',
  asks: [
    plate.volts('volts', 'Volts ahead of the bridge', '118'),
    choice('wave', 'Rectified', { full: 'full wave', half: 'half wave', sine: 'not at all' }),
  ],
  work: (given) => {
    const wave = RECTIFIED[given.choice('wave') as keyof typeof RECTIFIED];
    return Object.entries(FUNCTIONS).map(([id, title]) => ({
      title,
      value: wave[id as keyof typeof wave] * given.number('volts')!,
      unit: 'V',
    }));
  },
};

export const SOURCE: Worksheet = {
  id: 'source-ohms',
  number: 17,
  title: 'Ohms inside a source',
  formula: 'r = R_load·(E/V − 1); V = E·R_load/(R_load + r)',
  source: 'Common practice, no source.',
  trap: 'An open value judged by limits for a loaded one.',
  asks: [
    plate.volts('open', 'Volts, open', '560 mV'),
    plate.volts('loaded', 'Volts, loaded', '240 mV', { need: 'maybe' }),
    plate.ohms('load', 'Ohms of the load', '2'),
    plate.ohms('inside', 'Or: ohms inside', '0.02', { need: 'maybe' }),
  ],
  work: (given) => {
    const [open, loaded, load, inside] = [
      given.number('open')!,
      given.number('loaded'),
      given.number('load')!,
      given.number('inside'),
    ];
    if (loaded === undefined && inside === undefined)
      throw new RangeError('Type its volts under load, or the ohms inside.');
    if (loaded !== undefined && loaded > open)
      throw new RangeError('Loaded it cannot have more than open: are the two changed?');
    return [
      ...(loaded === undefined ? [] : [{ title: 'Ohms inside', value: sourceOhms(open, loaded, load), unit: 'Ω' }]),
      ...(inside === undefined
        ? []
        : [{ title: 'Volts under the load', value: 1000 * loadedVolts(open, inside, load), unit: 'mV' }]),
    ];
  },
};

const HERTZ = choice('hertz', 'Line', { '60': '60 Hz', '50': '50 Hz' });

export const CAPACITANCE: Worksheet = {
  id: 'running-capacitor',
  number: 18,
  title: 'Capacitor while it runs',
  formula: 'C = I/(2π·f·V): 2653·I/V at 60 Hz, 3183·I/V at 50, in µF',
  source: 'Common practice, no source.',
  trap: 'Volts of the line instead of those across the capacitor.',
  asks: [amps('amps', 'Amps in its lead', '0.68'), plate.volts('volts', 'Volts across it', '370'), HERTZ],
  work: (given) => [
    {
      title: 'Microfarads',
      value: 1e6 * runningCapacitance(given.number('amps')!, given.number('volts')!, Number(given.choice('hertz'))),
      unit: 'µF',
    },
  ],
};

export const MOTOR: Worksheet = {
  id: 'motor-slip',
  number: 19,
  title: 'Slip of a motor',
  formula: 'n_s = 120·f/p; s = (n_s − n)/n_s',
  source:
    'Common practice, no source: 2 to 8 % usual; more than 10 % overloaded, or its capacitor. Small fan motors have more: the plate first.',
  trap: 'Speed of the plate taken for that of the field. Not for electronically driven motors.',
  asks: [
    choice('poles', 'Poles', { '2': '2', '4': '4', '6': '6', '8': '8' }),
    plate.count('turns', 'Turns a minute', '1725'),
    HERTZ,
  ],
  work: (given) => {
    const [poles, hertz] = [Number(given.choice('poles')), Number(given.choice('hertz'))];
    return [
      { title: 'Slip', value: slip(poles, given.number('turns')!, hertz), dimension: 'fraction' },
      { title: 'Speed of its field', value: (120 * hertz) / poles, unit: 'a minute' },
    ];
  },
};

export const LOOP: Worksheet = {
  id: 'tenfold-loop',
  number: 20,
  title: 'Tenfold loop',
  formula: 'I = reading/N, its width too',
  source: 'Common practice, no source.',
  trap: 'Passes through the jaw count, not loops beside it. AC only.',
  asks: [amps('amps', 'Amps read', '4.2'), plate.count('turns', 'Passes through the jaw', '10')],
  work: (given) => {
    const [read, turns] = [given.number('amps')!, given.number('turns')!];
    if (!(turns >= 1)) throw new RangeError('One pass at least goes through the jaw.');
    return [
      {
        title: 'Current',
        value: throughLoop(read, turns),
        unit: 'A',
        u: expanded(offBy(INSTRUMENTS_OF_A_BAG.clamp, read)) / turns,
      },
      { title: 'VA at 24 V', value: throughLoop(read, turns) * 24, unit: 'VA' },
    ];
  },
};
