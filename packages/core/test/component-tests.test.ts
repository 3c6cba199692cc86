import { COMPONENT_TESTS, judgeMeasure, type Judged, type Measure, type Surroundings } from '../src/bench';

type Row = readonly [
  typed: Readonly<Record<string, string>>,
  x: number | undefined,
  u: number | undefined,
  verdict: string,
  about?: string,
];

const measureOf = (place: string): Measure => {
  const [test, measure] = place.split('/');
  const found = COMPONENT_TESTS.find((t) => t.id === test)?.measures.find((m) => m.id === measure);
  if (!found) throw new Error(place);
  return found;
};
const judge = (place: string, typed: Readonly<Record<string, string>>, around?: Surroundings): Judged => {
  const { judged, problems } = judgeMeasure(measureOf(place), typed, around);
  expect(problems).toEqual({});
  return judged;
};

const INWC = 249.089;
const PSI = 6894.757;
const C = 273.15;
const dead = { iso: 'yes' };
const gauge = { span: '5', class: '1', division: '0.1', house: 'home', setting: '1.5', point: 'out' };
const drained = { drain: 'open', firing: 'yes', glass: 'yes', out: 'out', feed: 'yes', kind: 'automatic' };
const rig = { volts: 'good', gas: 'good', exhaust: 'good', splices: 'good', loop: 'good', call: 'good' };
const fits = { marking: 'yes', fuel: 'none', size: 'yes', volts: 'yes', kind: 'yes', own: 'good' };

// Both sides of every limit and what decides without a number. Common practice, no source, but for what the limits name.
const TABLE: readonly (readonly [
  place: string,
  unit: number,
  common: Readonly<Record<string, string>>,
  rows: readonly Row[],
])[] = [
  [
    'glow-igniter/cold',
    1,
    { ...dead, fit: 'carbide' },
    [
      [{ ohms: '62.4', Lz: '0.4', off: '60' }, 62, 1.1, 'good'],
      [{ ohms: '90.2', Lz: '0.4', off: '60' }, 89.8, 1.4, 'marginal'],
      [{ ohms: '33.0', Lz: '0.3', off: '30' }, 32.7, 0.73, 'bad'],
      [{ ohms: '125.3', Lz: '0.3', off: '60' }, 125, 1.8, 'bad'],
      [{ ohms: '30.0', Lz: '0.3', off: '1' }, undefined, undefined, 'repeat'],
      [{ ohms: '130', Lz: '0.3', off: '1' }, undefined, undefined, 'bad'],
      [{ ohms: '62', Lz: '0.3' }, undefined, undefined, 'repeat'],
      [{ ohms: 'OL' }, undefined, undefined, 'bad'],
      [{ fit: '24v', ohms: '5.1', Lz: '0.2', off: '1' }, 4.9, 0.41, 'good'],
      [{ fit: '24v', ohms: '9.2', Lz: '0.2', off: '30' }, 9, 0.46, 'bad'],
      [{ fit: 'nitride', book: '15', ohms: '23.5', Lz: '0.2', off: '30' }, 23.3, 0.62, 'bad'],
      [{ fit: 'nitride', book: '15', ohms: '23.5', Lz: '0.2', off: '1' }, undefined, undefined, 'repeat'],
      [{ fit: 'dryer', ohms: '120', Lz: '0.2', off: '30' }, 119.8, 1.8, 'good'],
      [{ fit: 'dryer', ohms: '530', Lz: '0.2', off: '30' }, 529.8, 6.2, 'bad'],
      // Which one is fitted was not said, and they do not agree.
      [{ fit: '', ohms: '62.4', Lz: '0.4', off: '60' }, undefined, undefined, 'repeat'],
      [{ fit: '', ohms: 'OL' }, undefined, undefined, 'bad'],
      [{ iso: 'no', ohms: '62.4' }, undefined, undefined, 'repeat'],
      // In circuit an open line is open all the same.
      [{ iso: 'no', ohms: 'OL' }, undefined, undefined, 'bad'],
    ],
  ],
  [
    'glow-igniter/amps',
    1,
    { fit: 'carbide', climb: 'up' },
    [
      [{ amps: '4.3', volts: '118' }, 4.37, 0.17, 'good'],
      [{ amps: '2.6', volts: '116' }, 2.69, 0.13, 'marginal'],
      [{ amps: '2.2', volts: '118' }, 2.24, 0.12, 'bad'],
      [{ amps: '4.3', volts: '118', climb: 'down' }, undefined, undefined, 'repeat'],
      [{ amps: '4.3' }, undefined, undefined, 'repeat'],
    ],
  ],
  [
    'spark/gap',
    1e-3,
    {},
    [
      [{ in: '3.2 mm' }, 3.2, undefined, 'good'],
      [{ in: '4.8 mm' }, 4.8, undefined, 'marginal'],
      [{ in: '4.8 mm', school: 'eighth' }, 4.8, undefined, 'bad'],
      [{ in: '1.3 mm' }, 1.3, undefined, 'bad'],
      [{ in: '5.6 mm' }, 5.6, undefined, 'bad'],
      [{ in: '3 mm', out: '3.4 mm' }, 3.2, undefined, 'good'],
    ],
  ],
  [
    'spark/spark',
    1,
    {},
    [
      [{ control: 'blue', electrode: 'none' }, undefined, undefined, 'bad', 'spark lead, ceramic or gap'],
      [{ control: 'blue', electrode: 'blue' }, undefined, undefined, 'good'],
      [{ control: 'thread', electrode: 'thread' }, undefined, undefined, 'marginal'],
      [{ control: 'none' }, undefined, undefined, 'repeat'],
      [{ control: 'none', feed: 'yes' }, undefined, undefined, 'bad', 'spark output of the control'],
    ],
  ],
  [
    'flame-signal/signal',
    1e-6,
    { electrode: 'no', fn: 'dc', lit: 'yes' },
    [
      [{ microamps: '2.4' }, 2.4, 0.26, 'good'],
      [{ microamps: '-2.4' }, 2.4, 0.26, 'good'],
      [{ microamps: '1.2' }, 1.2, 0.24, 'marginal'],
      [{ microamps: '0.7' }, 0.7, 0.24, 'marginal'],
      [{ microamps: '0.2' }, 0.2, 0.23, 'bad'],
      [{ microamps: '1.8-3.2' }, 2.5, undefined, 'marginal'],
      [{ microamps: '1.4', 'drop-out': '0.5' }, 1.4, 0.25, 'good'],
      [{ microamps: '0.00', fn: 'milli' }, undefined, undefined, 'repeat'],
      [{ microamps: '2.4', lit: 'no' }, undefined, undefined, 'repeat'],
      [{ microamps: '2.4', electrode: 'yes' }, undefined, undefined, 'repeat'],
    ],
  ],
  [
    'flame-signal/feed',
    1,
    { fn: 'high' },
    [
      [{ volts: '172' }, 172, 2.3, 'good'],
      [{ volts: '64' }, 64, 1.1, 'marginal'],
      [{ volts: '41' }, 41, 0.51, 'bad', 'sense output of the control'],
      [{ volts: '41', fn: 'low' }, undefined, undefined, 'repeat'],
    ],
  ],
  [
    'flame-signal/rod-ground',
    1,
    {},
    [
      [{ ohms: 'OL' }, undefined, undefined, 'good'],
      [{ ohms: '2M' }, 2e6, undefined, 'good'],
      [{ ohms: '300k' }, 3e5, undefined, 'bad'],
    ],
  ],
  [
    'thermocouple/volts',
    1e-3,
    { state: 'open', lit: 'yes', cover: 'yes' },
    [
      [{ volts: '37.5' }, 37.5, 0.56, 'good'],
      [{ volts: '20.6' }, 20.6, 0.47, 'good'],
      [{ volts: '20.4' }, 20.4, 0.46, 'marginal'],
      [{ volts: '17.2' }, 17.2, 0.45, 'marginal'],
      [{ volts: '16.2' }, 16.2, 0.44, 'bad'],
      [{ volts: '12.0', lit: 'no' }, undefined, undefined, 'repeat'],
      [{ volts: '25', cover: '' }, 25, undefined, 'marginal'],
      [{ state: 'loaded', volts: '11.0' }, 11, 0.41, 'good'],
      [{ state: 'loaded', volts: '9.0' }, 9, 0.4, 'marginal'],
      [{ state: 'loaded', volts: '7.2' }, 7.2, 0.39, 'bad'],
      // Whether it was screwed in decides which limits hold.
      [{ state: '', volts: '11.0' }, undefined, undefined, 'repeat'],
      [{ state: '', volts: '7.2' }, 7.2, 0.39, 'bad'],
    ],
  ],
  [
    'thermocouple/let-go',
    1e-3,
    {},
    [
      [{ volts: '4' }, 4, undefined, 'good'],
      [{ volts: '8' }, 8, undefined, 'marginal'],
      [{ volts: '12' }, 12, undefined, 'bad'],
    ],
  ],
  [
    'thermocouple/drop-out',
    1,
    { standard: 'en' },
    [
      [{ time: '41' }, 41, 0.58, 'good'],
      [{ time: '59.6' }, 59.6, 0.58, 'bad'],
      [{ time: '120', standard: 'older' }, 120, 0.58, 'marginal'],
      [{ time: '190', standard: 'older' }, 190, 0.58, 'bad'],
    ],
  ],
  [
    'thermopile/volts',
    1e-3,
    { state: 'open', lit: 'yes' },
    [
      [{ volts: '560' }, 560, 3.6, 'good'],
      [{ volts: '402' }, 402, 2.7, 'marginal'],
      [{ volts: '318' }, 318, 2.2, 'bad'],
      [{ state: 'loaded', volts: '204' }, 204, 1.5, 'good'],
      [{ state: 'loaded', volts: '201' }, 201, 1.5, 'marginal'],
      [{ state: 'loaded', volts: '148' }, 148, 1.2, 'bad'],
      [{ state: '', volts: '310' }, undefined, undefined, 'repeat'],
    ],
  ],
  [
    'coil-24v/dead',
    1,
    { ...dead, book: '15' },
    [
      [{ ohms: '13.4', Lz: '0.2', T: '2 C' }, 14.2, 0.58, 'good'],
      [{ ohms: '13.4', Lz: '0.2', warm: 'idle' }, 13.5, 1.6, 'repeat'],
      [{ ohms: '12.9', Lz: '0.1', T: '20 C' }, 12.8, 0.53, 'marginal'],
      [{ ohms: '11.0', Lz: '0.2', T: '20 C' }, 10.8, 0.5, 'bad'],
      [{ ohms: '18.6', Lz: '0.2', T: '60 C' }, 15.9, 0.52, 'good'],
      [{ ohms: '18.6', Lz: '0.2', T: '140 F' }, 15.9, 0.52, 'good'],
      [{ ohms: '18.6', Lz: '0.2', T: '20 C' }, 18.4, 0.62, 'marginal'],
      [{ ohms: '18.6', Lz: '0.2', warm: 'ran' }, 16.8, 3.8, 'repeat'],
      [{ ohms: '20.1', Lz: '0.2', T: '20 C' }, 19.9, 0.64, 'bad'],
      [{ ohms: '0.2', warm: 'idle' }, 0, 0.43, 'bad'],
      [{ ohms: 'OL' }, undefined, undefined, 'bad'],
      // Common, without a book: 12 to 18; any other 10 to 50.
      [{ book: '', ohms: '30', Lz: '0.2', T: '20 C' }, 29.8, undefined, 'good'],
      [{ book: '', ohms: '30', Lz: '0.2', T: '20 C', kind: 'redundant' }, 29.8, undefined, 'bad'],
    ],
  ],
  [
    'coil-24v/live',
    1,
    { ld: 'yes' },
    [
      [{ volts: '25.9' }, 25.9, 0.33, 'good'],
      [{ volts: '19.0' }, 19, 0.25, 'marginal'],
      [{ volts: '17.2' }, 17.2, 0.23, 'bad', 'supply of the coil'],
      [{ volts: '25.9', ld: 'no' }, undefined, undefined, 'repeat'],
      [{ volts: '25.9', ld: '' }, undefined, undefined, 'repeat'],
    ],
  ],
  [
    'coil-24v/flow',
    1,
    { inlet: 'yes' },
    [
      [{ outlet: 'yes' }, undefined, undefined, 'good'],
      [{ outlet: 'no' }, undefined, undefined, 'bad', 'valve'],
      [{ outlet: 'no', inlet: 'no' }, undefined, undefined, 'repeat'],
    ],
  ],
  [
    'dryer-coils/dead',
    1,
    { ...dead, book: '1900', Lz: '0.3', warm: 'room' },
    [
      [{ ohms: '1850' }, 1850, 49, 'good'],
      [{ ohms: '2080' }, 2080, 55, 'marginal'],
      [{ ohms: '1440' }, 1440, 38, 'bad'],
      [{ ohms: '2320', T: '70 C' }, 1939, 34, 'good'],
      // The k of its display was not typed.
      [{ ohms: '1.85' }, undefined, undefined, 'repeat'],
      [{ ohms: '1.85k' }, 1850, 49, 'good'],
    ],
  ],
  [
    'dryer-coils/live',
    1,
    { ld: 'yes', feed: 'full', line: '118' },
    [
      [{ volts: '106', fn: 'direct' }, 0.998, undefined, 'good'],
      [{ volts: '51', fn: 'trueRms' }, 0.993, undefined, 'good'],
      [{ volts: '51', fn: '' }, undefined, undefined, 'repeat'],
      [{ volts: '92', fn: 'direct' }, 0.866, undefined, 'bad', 'feed of the coils'],
      [{ volts: '0', feed: 'sine', fn: 'direct' }, undefined, undefined, 'repeat'],
    ],
  ],
  [
    'modulating-valve/halves',
    0.01,
    {},
    [
      [{ ohms: '117', median: '119' }, 1.7, 0.4, 'good'],
      [{ ohms: '113.5', median: '119' }, 4.6, 0.4, 'marginal'],
      [{ ohms: '110', median: '119' }, 7.6, 0.4, 'bad'],
      [{ ohms: 'OL', median: '116' }, undefined, undefined, 'bad'],
    ],
  ],
  [
    'modulating-valve/book',
    1,
    { ...dead, Lz: '0.3' },
    [
      [{ book: '140', ohms: '112.5', T: '5 C' }, 119.2, 2.5, 'marginal'],
      [{ book: '140', ohms: '112.5', warm: 'idle' }, 114, 13, 'repeat'],
      [{ book: '169', ohms: '178', T: '21 C' }, 177, 3.4, 'good'],
    ],
  ],
  [
    'modulating-valve/driving',
    1,
    { ld: 'yes', phase: 'pull-in', fn: 'caught' },
    [
      [{ volts: '22.0' }, 22, 0.15, 'good'],
      [{ volts: '18.9' }, 18.9, 0.13, 'marginal'],
      [{ volts: '17.6' }, 17.6, 0.12, 'bad', 'board or harness that drives it'],
      [{ volts: '22.0', fn: 'steady' }, undefined, undefined, 'repeat'],
      [{ volts: '16', phase: 'hold', fn: '' }, 16, undefined, 'good'],
    ],
  ],
  [
    'closed-switch/drop',
    1e-3,
    { ld: 'yes' },
    [
      [{ volts: '0.7 mV' }, 0.7, 0.35, 'good'],
      [{ volts: '50 mV' }, 50, 0.64, 'good'],
      [{ volts: '99.5 mV' }, 99.5, 0.92, 'marginal'],
      [{ volts: '200 mV' }, 200, 1.5, 'marginal'],
      [{ volts: '360 mV' }, 360, 2.4, 'bad'],
      [{ volts: '24.6', supply: '26', due: 'closed' }, undefined, undefined, 'bad'],
      [{ volts: '24.6', supply: '26' }, undefined, undefined, 'repeat'],
      [{ volts: '0', ld: 'no' }, undefined, undefined, 'repeat'],
    ],
  ],
  [
    'closed-switch/ohms',
    1,
    { read: 'ohms' },
    [
      [{ ohms: '0.4', Lz: '0.3' }, 0.1, 0.36, 'good'],
      [{ ohms: '1.2', Lz: '0.3' }, 0.9, 0.36, 'marginal'],
      [{ ohms: '2.9', Lz: '0.3' }, 2.6, 0.38, 'bad'],
      [{ ohms: '0.4', Lz: '0.3', school: 'strict' }, 0.1, 0.36, 'repeat'],
      [{ read: 'beep', ohms: '' }, undefined, undefined, 'repeat'],
    ],
  ],
  [
    'air-proof/contact',
    INWC,
    { make: '0.60', break: '0.50', inducer: 'on' },
    [
      [{ draft: '0.72', contact: 'closed' }, 0.72, 0.031, 'good'],
      [{ draft: '-0.72', contact: 'open' }, 0.72, 0.031, 'bad', 'pressure switch'],
      [{ draft: '0.48', contact: 'open' }, 0.48, 0.029, 'good', 'switch'],
      [{ draft: '0.61', contact: 'open' }, 0.61, 0.03, 'repeat'],
      [{ draft: '0.40', contact: 'closed' }, 0.4, 0.028, 'bad'],
      [{ inducer: 'off', draft: '', contact: 'closed' }, undefined, undefined, 'bad'],
      [{ draft: '', contact: 'open' }, undefined, undefined, 'repeat'],
    ],
  ],
  [
    'air-proof/make-point',
    INWC,
    { make: '0.60' },
    [
      [{ draft: '0.6' }, 0.6, 0.03, 'good'],
      [{ draft: '0.66' }, 0.66, 0.031, 'marginal'],
      [{ draft: '0.55' }, 0.55, 0.029, 'bad'],
    ],
  ],
  [
    'air-proof/margin',
    1,
    { make: '0.60' },
    [
      [{ draft: '0.8' }, 1.333, undefined, 'good'],
      [{ draft: '0.64' }, 1.067, undefined, 'marginal'],
      [{ draft: '0.5' }, 0.833, undefined, 'bad'],
    ],
  ],
  [
    'limit-opening/opening',
    1,
    { kind: 'limit', plate: '82 C', place: 'bath' },
    [
      [{ opened: '81.0 C' }, 81 + C, 1.6, 'good'],
      [{ opened: '75.0 C' }, 75 + C, 1.6, 'marginal'],
      [{ opened: '70.0 C' }, 70 + C, 1.6, 'bad'],
      [{ opened: '84.0 C' }, 84 + C, 1.6, 'bad'],
      [{ opened: '82.0 C', place: 'taped' }, 82 + C, 2.6, 'good'],
      [{ opened: '80.0 C', place: 'place' }, 80 + C, 5.9, 'repeat'],
      [{ opened: '66.0 C', place: 'place' }, 66 + C, 5.9, 'bad'],
      [{ opened: '93 C', opens: 'never' }, 93 + C, undefined, 'bad'],
      [{ opened: '', place: 'none' }, undefined, undefined, 'repeat'],
      [{ opened: '90 C', kind: 'thermostat' }, 90 + C, undefined, 'marginal'],
    ],
  ],
  [
    'thermal-regulator/opening',
    1,
    { with: 'thermometer', state: 'starts', book: '49 C' },
    [
      [{ opened: '50 C' }, 50 + C, 1.6, 'good'],
      [{ opened: '54 C' }, 54 + C, 1.6, 'marginal'],
      [{ opened: '59 C' }, 59 + C, 1.6, 'bad'],
      [{ opened: '93 C', state: 'shut' }, 93 + C, 1.6, 'bad'],
      [{ with: 'boiling', state: 'open' }, undefined, undefined, 'repeat'],
      [{ with: 'boiling', state: 'shut' }, undefined, undefined, 'bad'],
      [{ with: 'boiling', state: 'cold' }, undefined, undefined, 'bad'],
    ],
  ],
  [
    'thermal-regulator/old-and-new',
    1,
    {},
    [
      [{ old: '50 C', new: '49.5 C' }, 0.5, undefined, 'good'],
      [{ old: '60 C', new: '49 C' }, 11, undefined, 'bad'],
    ],
  ],
  [
    'low-water/drain',
    1,
    drained,
    [
      [{ after: '9' }, undefined, undefined, 'good'],
      [{ after: '9', last: '4' }, undefined, undefined, 'marginal'],
      [{ feed: 'no' }, undefined, undefined, 'marginal', 'pump or feeder'],
      [{ out: 'fires' }, undefined, undefined, 'bad'],
      [{ firing: 'no' }, undefined, undefined, 'repeat'],
      [{ glass: 'no' }, undefined, undefined, 'repeat'],
      [{ glass: '' }, undefined, undefined, 'repeat'],
      [{ kind: 'auxiliary', reset: 'no' }, undefined, undefined, 'repeat'],
      [{ kind: 'auxiliary', reset: 'pushed' }, undefined, undefined, 'good'],
      [{ drain: 'capped' }, undefined, undefined, 'bad', 'the drain as it is installed'],
    ],
  ],
  [
    'low-water/evaporation',
    1,
    { firing: 'yes', glass: 'yes', pump: 'yes' },
    [
      [{ out: 'out' }, undefined, undefined, 'good'],
      [{ out: 'fires' }, undefined, undefined, 'bad'],
      [{ out: 'out', pump: 'no' }, undefined, undefined, 'marginal', 'pump or feeder'],
    ],
  ],
  [
    'low-water/probe',
    1,
    { firing: 'yes', delay: '10' },
    [
      [{ after: '11' }, 11, 0.58, 'good'],
      [{ after: '14' }, 14, 0.58, 'bad'],
    ],
  ],
  [
    'low-water/glass',
    1,
    { drained: 'yes' },
    [
      [{ pencil: 'bent' }, undefined, undefined, 'good'],
      [{ pencil: 'straight' }, undefined, undefined, 'marginal'],
      [{ pencil: 'bent', drained: 'slow' }, undefined, undefined, 'bad'],
    ],
  ],
  [
    'pressure-limit/point',
    PSI,
    gauge,
    [
      [{ read: '1.6' }, 1.6, 0.082, 'good'],
      [{ read: '1.75' }, 1.75, 0.082, 'marginal'],
      [{ read: '2.4' }, 2.4, 0.082, 'bad'],
      [{ read: '2.95', setting: '2.9' }, 2.95, 0.082, 'bad'],
      [{ read: '1.6', span: '30', class: '3', division: '0.5' }, 1.6, 1.1, 'repeat'],
      [{ read: '0.6', setting: '0.5', point: 'in' }, 0.6, 0.082, 'good'],
    ],
  ],
  [
    'pressure-limit/pigtail',
    1,
    {},
    [
      [{ boiler: '1.2', tee: '1.1' }, undefined, undefined, 'good'],
      [{ boiler: '1.2', tee: '0' }, undefined, undefined, 'bad'],
    ],
  ],
  [
    'transformer/secondary',
    1,
    { state: 'on' },
    [
      [{ state: 'idle', primary: '118', secondary: '27.8' }, 28.27, 0.55, 'good'],
      [{ state: 'idle', primary: '118', secondary: '6' }, undefined, undefined, 'repeat'],
      [{ state: 'idle', primary: '118', secondary: '6', input: 'low' }, undefined, undefined, 'bad'],
      [{ primary: '118', secondary: '6' }, undefined, undefined, 'bad'],
      [{ primary: '118', secondary: '25.9' }, 26.34, 0.51, 'good'],
      [{ primary: '104', secondary: '22.5' }, 25.96, 0.51, 'good'],
      [{ primary: '119', secondary: '20.8' }, 20.97, 0.41, 'marginal'],
      [{ primary: '119', secondary: '18.9' }, 19.06, 0.38, 'bad'],
      [{ primary: '119', secondary: '18.9', sum: '46', va: '40' }, undefined, undefined, 'repeat', 'load'],
      [{ secondary: '18.9' }, undefined, undefined, 'repeat'],
      [{ primary: '119', secondary: '0' }, undefined, undefined, 'repeat'],
      [{ primary: '119', secondary: '0', load: 'checked' }, undefined, undefined, 'bad'],
    ],
  ],
  [
    'transformer/budget',
    0.01,
    { va: '40' },
    [
      [{ sum: '31' }, 77.5, undefined, 'good'],
      [{ sum: '36' }, 90, undefined, 'marginal'],
      [{ sum: '46' }, 115, undefined, 'bad'],
    ],
  ],
  [
    'line/volts',
    1,
    { nominal: '120', fn: 'ac' },
    [
      [{ volts: '119.9' }, 119.9, 1.7, 'good'],
      [{ volts: '109' }, 109, 1.6, 'marginal'],
      [{ volts: '105.9' }, 105.9, 1.6, 'bad'],
      // So few may only couple into an open wire, until a meter has loaded it.
      [{ volts: '47' }, 47, undefined, 'repeat'],
      [{ volts: '47', input: 'low' }, 47, undefined, 'bad'],
      [{ volts: '135' }, 135, 1.9, 'bad'],
      [{ volts: '238', nominal: '240' }, 238, undefined, 'good'],
      [{ volts: '0', fn: 'dc' }, undefined, undefined, 'repeat'],
    ],
  ],
  [
    'line/neutral',
    1,
    {},
    [
      [{ volts: '0.8' }, 0.8, undefined, 'good'],
      [{ volts: '3.1' }, 3.1, 0.039, 'marginal'],
      [{ volts: '7' }, 7, undefined, 'bad'],
    ],
  ],
  [
    'line/polarity',
    1,
    { input: 'high' },
    [
      [{ ln: '120', lg: '120', ng: '0.5' }, undefined, undefined, 'good'],
      [{ ln: '120', lg: '0', ng: '120' }, undefined, undefined, 'bad', 'outlet or switch'],
      [{ ln: '120', lg: '47', ng: '73' }, undefined, undefined, 'repeat'],
      [{ ln: '120', lg: '0', ng: '0', input: 'low' }, undefined, undefined, 'bad', 'ground'],
      [{ ln: '20', lg: '120', ng: '90' }, undefined, undefined, 'bad', 'neutral'],
    ],
  ],
  [
    'line/dip',
    0.01,
    {},
    [
      [{ before: '119', during: '116' }, 2.52, undefined, 'good'],
      [{ before: '119', during: '111' }, 6.72, undefined, 'marginal'],
    ],
  ],
  [
    'gas-pressure/inlet',
    INWC,
    { fuel: 'natural', state: 'alone' },
    [
      [{ pressure: '6.9' }, 6.9, 0.1, 'good'],
      [{ pressure: '5.03' }, 5.03, 0.081, 'marginal'],
      [{ pressure: '4.6' }, 4.6, 0.076, 'bad'],
      [{ fuel: 'propane', pressure: '11.2' }, 11.2, 0.15, 'good'],
      [{ fuel: 'propane', pressure: '8.2' }, 8.2, 0.12, 'bad', 'gas supply'],
      [{ fuel: 'propane', state: 'static', pressure: '13.95' }, 13.95, undefined, 'bad'],
    ],
  ],
  [
    'gas-pressure/fall',
    INWC,
    { fuel: 'natural' },
    [
      [{ first: '7.2', last: '6.9' }, 0.3, undefined, 'good'],
      [{ first: '7.2', last: '6.5' }, 0.7, undefined, 'marginal'],
      [{ first: '7.2', last: '5.9' }, 1.3, undefined, 'bad'],
    ],
  ],
  [
    'gas-pressure/manifold',
    INWC,
    { fuel: 'natural' },
    [
      [{ pressure: '3.78' }, 3.78, 0.067, 'marginal'],
      [{ pressure: '4.1' }, 4.1, 0.07, 'bad'],
      [{ pressure: '10.0', fuel: '' }, undefined, undefined, 'repeat'],
      [{ pressure: '10.0', fuel: 'propane' }, 10, undefined, 'good'],
    ],
  ],
  [
    'gas-pressure/leak-down',
    INWC,
    {},
    [
      [{ first: '8.00', last: '8.00', change: '0' }, 0, 0.17, 'good'],
      [{ first: '8.00', last: '7.90', change: '0' }, 0.1, 0.17, 'bad'],
      [{ first: '8.00', last: '7.30', change: '-0.5' }, -0.01, 0.17, 'good'],
      [{ first: '8.00', last: '7.70' }, 0.3, 0.82, 'repeat'],
      [{ first: '8.00', last: '6.80' }, 1.2, 0.82, 'bad'],
      [{ first: '8.00', last: '8.00', change: '0', bubble: 'grows' }, undefined, undefined, 'bad'],
    ],
  ],
  [
    'gas-pressure/lets-by',
    INWC,
    { orifices: 'stopped' },
    [
      [{ pressure: '0.00' }, 0, 0.023, 'good'],
      [{ pressure: '0.03' }, 0.03, 0.023, 'bad'],
      [{ pressure: '0.00', orifices: 'open' }, undefined, undefined, 'repeat'],
    ],
  ],
  [
    'element/ohms',
    1,
    { ...dead, volts: '120', watts: '1440', Lz: '0.2' },
    [
      [{ ohms: '10.2' }, 10, 0.47, 'good'],
      [{ ohms: '11.9' }, 11.7, 0.49, 'marginal'],
      [{ ohms: '14.1' }, 13.9, 0.51, 'bad'],
      [{ ohms: '7.4' }, 7.2, 0.44, 'bad'],
      [{ ohms: 'OL' }, undefined, undefined, 'bad'],
      [{ ohms: '10k' }, undefined, undefined, 'repeat'],
      [{ ohms: '5.0', iso: 'no' }, undefined, undefined, 'repeat'],
    ],
  ],
  [
    'element/sheath',
    1,
    dead,
    [
      [{ ohms: '22' }, 22, undefined, 'bad'],
      [{ ohms: '200k' }, 2e5, undefined, 'marginal'],
      [{ ohms: '5M' }, 5e6, undefined, 'good'],
      [{ ohms: 'OL' }, undefined, undefined, 'good'],
    ],
  ],
  [
    'relay/contact',
    1,
    { state: 'on', coil: 'yes', pair: 'no' },
    [
      [{ found: 'closed' }, undefined, undefined, 'good'],
      [{ found: 'open' }, undefined, undefined, 'bad'],
      [{ found: 'open', winding: 'good' }, undefined, undefined, 'bad', 'contact or armature'],
      [{ state: 'rest', coil: '', found: 'closed' }, undefined, undefined, 'bad', 'contact'],
      [{ found: 'open', coil: 'no' }, undefined, undefined, 'repeat'],
      [{ found: 'open', wiggle: 'cures' }, undefined, undefined, 'bad', 'socket'],
    ],
  ],
  [
    'relay/delay',
    1,
    { longest: '45' },
    [
      [{ time: '50' }, 50, 0.58, 'good'],
      [{ time: '62' }, 62, 0.58, 'bad'],
    ],
  ],
  [
    'vent-damper/travel',
    1,
    { lever: 'automatic', seen: 'yes', blade: 'open', end: 'closed', plate: '12' },
    [
      [{ time: '13' }, 13, undefined, 'good'],
      [{ time: '17' }, 17, undefined, 'marginal'],
      [{ time: '30' }, 30, undefined, 'bad'],
      [{ time: '13', seen: 'no' }, undefined, undefined, 'repeat'],
      [{ lever: 'hold', end: 'closed' }, undefined, undefined, 'repeat'],
      [{ lever: 'hold', end: 'open' }, undefined, undefined, 'good', 'lever'],
      [{ blade: 'shut', end: 'closed' }, undefined, undefined, 'bad', 'end switch'],
      [{ blade: 'shut', end: 'open', fed: 'yes' }, undefined, undefined, 'bad', 'motor or blade'],
    ],
  ],
  [
    'sail-and-12v/supply',
    1,
    { blower: 'on' },
    [
      [{ volts: '11.8' }, 11.8, 0.091, 'good'],
      [{ volts: '10.4' }, 10.4, 0.083, 'marginal'],
      [{ volts: '9.8' }, 9.8, 0.08, 'bad'],
      [{ volts: '12.7', blower: 'off' }, undefined, undefined, 'repeat'],
    ],
  ],
  [
    'sail-and-12v/sail',
    1,
    { blower: 'on', supply: 'good', path: 'free', contact: 'open' },
    [
      [{ pushed: 'open' }, undefined, undefined, 'bad', 'sail switch'],
      [{ pushed: 'closes' }, undefined, undefined, 'marginal', 'air'],
      [{ pushed: 'open', supply: 'low' }, undefined, undefined, 'repeat'],
      [{ blower: 'off', contact: 'closed' }, undefined, undefined, 'bad'],
    ],
  ],
  [
    'fuse/fuse',
    1,
    { supply: '26', read: 'volts' },
    [
      [{ volts: '25.8' }, undefined, undefined, 'bad'],
      [{ volts: '0' }, undefined, undefined, 'good'],
      [{ read: 'ohms', ohms: '0.4', Lz: '0.3' }, 0.1, undefined, 'good'],
      [{ read: 'ohms', ohms: 'OL' }, undefined, undefined, 'bad'],
    ],
  ],
  [
    'fuse/branch',
    1,
    { unplugged: 'yes' },
    [
      [{ with: '2.1', without: '14.8' }, 2.447, undefined, 'bad'],
      [{ with: '6.9', without: '14.8' }, 12.93, undefined, 'good'],
      [{ with: '6.0', without: '14.8' }, 10.09, undefined, 'good'],
      [{ with: '4.2', without: '14.8' }, 5.864, undefined, 'marginal'],
      [{ with: '4.2', unplugged: 'no' }, undefined, undefined, 'repeat'],
    ],
  ],
  [
    'capacitor-and-motor/farads',
    1e-6,
    { dis: 'yes', plate: '5' },
    [
      [{ farads: '4.95' }, 4.95, 0.16, 'good'],
      [{ farads: '4.8' }, 4.8, 0.16, 'marginal'],
      [{ farads: '4.3' }, 4.3, 0.15, 'bad'],
      [{ farads: '4.95', dis: 'no' }, undefined, undefined, 'repeat'],
      [{ farads: '4.95', dis: '' }, undefined, undefined, 'repeat'],
      [{ farads: '4950' }, undefined, undefined, 'repeat'],
    ],
  ],
  [
    'capacitor-and-motor/running',
    1e-6,
    { volts: '370', hertz: '60', plate: '5' },
    [
      [{ amps: '0.68' }, 4.88, 0.53, 'repeat'],
      [{ amps: '6.8', turns: '10' }, 4.88, 0.17, 'good'],
    ],
  ],
  [
    'capacitor-and-motor/motor',
    0.01,
    { feed: 'ac', plate: '1.9', turning: 'yes' },
    [
      [{ amps: '1.7' }, 89, 5, 'good'],
      [{ amps: '1.85' }, 97, 5, 'marginal'],
      [{ amps: '2.4' }, 126, 6, 'bad'],
      [{ amps: '0.00', feed: 'dc', clamp: 'ac' }, undefined, undefined, 'repeat'],
      [{ amps: '6.5', turning: 'no' }, 342, undefined, 'repeat'],
      [{ amps: '6.5', turning: 'no', capacitor: 'good' }, 342, undefined, 'bad'],
      [{ amps: '0.6' }, 31.6, undefined, 'good'],
    ],
  ],
  [
    'drop/joint',
    1e-3,
    { ld: 'yes' },
    [
      [{ volts: '30 mV' }, 30, 0.52, 'good'],
      [{ volts: '30 mV', wiggle: 'changes' }, 30, 0.52, 'marginal'],
      [{ volts: '200 mV' }, 200, 1.5, 'marginal'],
      [{ volts: '420 mV', amps: '6.5' }, 420, 2.8, 'bad'],
      [{ volts: '0', ld: 'no' }, undefined, undefined, 'repeat'],
    ],
  ],
  [
    'drop/run',
    0.01,
    { ld: 'yes', source: '120' },
    [
      [{ load: '118' }, 1.67, undefined, 'good'],
      [{ load: '115' }, 4.17, undefined, 'marginal'],
      [{ load: '110' }, 8.33, undefined, 'bad'],
    ],
  ],
  [
    'drop/ground',
    1e-3,
    { ld: 'yes' },
    [
      [{ volts: '12 mV' }, 12, undefined, 'good'],
      [{ volts: '180 mV' }, 180, undefined, 'bad'],
    ],
  ],
  [
    'new-part/marking',
    1,
    fits,
    [
      [{}, undefined, undefined, 'good'],
      [{ fuel: 'no' }, undefined, undefined, 'bad', 'wrong part'],
      [{ own: 'bad' }, undefined, undefined, 'bad', 'new part'],
      [{ marking: 'unread' }, undefined, undefined, 'repeat'],
      [{ kind: 'other' }, undefined, undefined, 'good'],
    ],
  ],
  [
    'new-part/beside',
    0.01,
    {},
    [
      [{ new: '1850', old: '1910' }, 3.14, undefined, 'good'],
      [{ new: 'OL', old: '1910' }, undefined, undefined, 'bad'],
    ],
  ],
  [
    'bench-rig/rig',
    1,
    { ...rig, part: 'bad' },
    [
      [{}, undefined, undefined, 'bad', 'part'],
      [{ exhaust: 'unchecked' }, undefined, undefined, 'repeat'],
      [{ volts: 'bad' }, undefined, undefined, 'bad', 'rig'],
      [{ splices: 'bad', part: 'good' }, undefined, undefined, 'bad', 'rig'],
      [{ pipe: 'dies' }, undefined, undefined, 'bad', 'rig'],
    ],
  ],
];

describe.each(TABLE)('%s', (place, unit, common, rows) => {
  test.each(rows.map((row) => [JSON.stringify(row[0]), row] as const))('%s', (_, [typed, x, u, verdict, about]) => {
    const judged = judge(place, { ...common, ...typed });
    expect([judged.verdict, about && judged.about]).toEqual([verdict, about]);
    if (x !== undefined)
      expect(Math.abs(judged.x!.value / unit - x)).toBeLessThan(Math.max(0.004 * Math.abs(x), 0.006, (u ?? 0) * 0.12));
    // A width as it is written, with its one or two figures.
    if (u !== undefined) {
      expect(Math.abs(judged.x!.u / unit / u - 1)).toBeLessThan(0.06);
    }
  });

  test('without one of what it must have nothing is condemned or cleared', () => {
    const [typed] = rows.find(([, , , verdict]) => verdict === 'good') ?? rows[0]!;
    const whole = { ...common, ...typed };
    for (const ask of measureOf(place).asks.filter(
      (a) => a.need === 'must' && (whole as Record<string, string>)[a.id],
    )) {
      const judged = judge(place, { ...whole, [ask.id]: '' });
      expect([ask.id, judged.verdict]).toEqual([ask.id, 'repeat']);
    }
  });
});

test('every measure of every test is in the table', () => {
  const all = COMPONENT_TESTS.flatMap((t) => t.measures.map((m) => `${t.id}/${m.id}`));
  expect(all.filter((place) => !TABLE.some(([p]) => p === place))).toEqual([]);
  expect(COMPONENT_TESTS.map((t) => t.number)).toEqual(Array.from({ length: 26 }, (_, i) => i + 1));
});

test('what can hurt somebody is said at once, whatever else was not answered', () => {
  expect(judge('low-water/drain', { drain: 'open', firing: 'yes', glass: 'yes', out: 'fires' }).verdict).toBe('bad');
  expect(judge('low-water/evaporation', { firing: 'yes', glass: 'no', out: 'fires' }).verdict).toBe('bad');
  expect(judge('gas-pressure/leak-down', { bubble: 'grows' }).verdict).toBe('bad');
  expect(judge('vent-damper/travel', { blade: 'shut', end: 'closed' }).verdict).toBe('bad');
});

describe('whose limits hold', () => {
  const coil = { iso: 'yes', ohms: '18.6', Lz: '0.2', T: '20 C', book: '15' };

  test('a plate or a maker’s sheet outranks the shop, the shop the profile', () => {
    const zones = { good: { from: 17, to: 20 }, marginal: { from: 16, to: 21 } };
    expect(judge('coil-24v/dead', coil)).toMatchObject({ verdict: 'marginal', whose: 'book' });
    expect(judge('coil-24v/dead', coil, { limits: { whose: 'plate', source: 'sheet 12', zones } })).toMatchObject({
      verdict: 'good',
      whose: 'plate',
      source: 'sheet 12',
    });
    expect(judge('coil-24v/dead', coil, { limits: { whose: 'shop', source: 'Rosa', zones } })).toMatchObject({
      verdict: 'good',
      whose: 'shop',
    });
  });

  test('a known-good twin beats a book or a shop: the ratio is judged, temperature and leads cancel', () => {
    const judged = judge('coil-24v/dead', { ...coil, T: '' }, { twin: 18.8 });
    expect(judged).toMatchObject({ whose: 'twin' });
    expect(judged.dimension).toBe('none');
    // Both as they were read: 18.4 beside 18.6, however warm the two are.
    for (const T of ['', '2 C', '60 C']) {
      const one = judge('coil-24v/dead', { ...coil, T }, { twin: 18.8 });
      expect(one.x!.value).toBeCloseTo(18.4 / 18.6, 6);
      expect(one.verdict).toBe('good');
    }
  });

  test('what this very part read when it was good narrows, and never widens', () => {
    const signal = { electrode: 'no', fn: 'dc', lit: 'yes', microamps: '1.5' };
    expect(judge('flame-signal/signal', signal).verdict).toBe('good');
    expect(judge('flame-signal/signal', signal, { own: 2.4e-6 })).toMatchObject({ verdict: 'marginal', own: 2.4e-6 });
    // One that was never within the limits narrows nothing, and that is said.
    const dropped = judge('flame-signal/signal', signal, { own: 0.3e-6 });
    expect(dropped.verdict).toBe('good');
    expect(dropped.notes.join()).toMatch(/left out/);
  });

  test('a shop moves a limit beyond which it hurts to the safe side only; a plate stands as it is', () => {
    const lax = { good: { to: 100 }, marginal: { to: 200 } };
    const typed = { standard: 'en', time: '70' };
    expect(
      judge('thermocouple/drop-out', typed, { limits: { whose: 'shop', source: 'shop', zones: lax } }).verdict,
    ).toBe('bad');
    expect(
      judge('thermocouple/drop-out', typed, { limits: { whose: 'plate', source: 'plate', zones: lax } }).verdict,
    ).toBe('good');
    const near = { standard: 'en', time: '99.9' };
    expect(
      judge('thermocouple/drop-out', near, { limits: { whose: 'plate', source: 'plate', zones: lax } }).verdict,
    ).toBe('bad');
    const tight = { good: { to: 30 }, marginal: { to: 40 } };
    expect(
      judge(
        'thermocouple/drop-out',
        { standard: 'en', time: '45' },
        { limits: { whose: 'shop', source: 'shop', zones: tight } },
      ).verdict,
    ).toBe('bad');
  });

  test('the shop’s own instrument, better or worse, makes the interval', () => {
    const worse = { ohms: { share: 0.05, digits: 5, ranges: [{ to: 600, digit: 1 }] } };
    expect(
      judge(
        'element/ohms',
        { iso: 'yes', volts: '120', watts: '1440', Lz: '0.2', ohms: '10.2' },
        { instruments: worse },
      ).verdict,
    ).toBe('repeat');
  });
});

test('what cannot be read is said at its own field, and nothing is judged by it', () => {
  const { judged, problems } = judgeMeasure(measureOf('coil-24v/dead'), { iso: 'maybe', ohms: 'twelve', T: '20' });
  expect(problems['ohms']).toMatch(/not a reading. Type ohms/);
  expect(problems['T']).toMatch(/Add the scale/);
  expect(problems['iso']).toMatch(/Choose one of/);
  expect(judged.verdict).toBe('repeat');
});

/** Every accuracy without a width: what is left is the limits. */
const EXACT = Object.fromEntries(
  ['ohms', 'volts-ac', 'volts-dc', 'millivolts', 'microamps', 'clamp', 'capacitance', 'manometer'].map((kind) => [
    kind,
    { share: 0, digits: 0, ranges: [{ to: 1e9, digit: 0 }] },
  ]),
);

// How wide sound and broken ones really are: common practice, no source.
const BANDS: readonly (readonly [
  place: string,
  typed: Readonly<Record<string, string>>,
  reads: string,
  unit: string,
  sound: readonly [number, number] | undefined,
  broken: readonly [number, number] | undefined,
])[] = [
  ['transformer/secondary', { state: 'idle', primary: '120' }, 'secondary', 'V', [23, 29.5], undefined],
  ['transformer/secondary', { state: 'on', primary: '120' }, 'secondary', 'V', [22, 28.5], [12, 19.9]],
  ['line/volts', { nominal: '120', fn: 'ac' }, 'volts', 'V', [110, 126], [70, 107]],
  ['sail-and-12v/supply', { blower: 'on' }, 'volts', 'V', [11.2, 13.8], [7, 9.9]],
  ['closed-switch/drop', { ld: 'yes' }, 'volts', 'mV', [0.1, 100], [301, 599]],
  ['thermocouple/volts', { state: 'open', lit: 'yes', cover: 'yes' }, 'volts', 'mV', [22, 38], [0.1, 19]],
  ['thermocouple/volts', { state: 'loaded', lit: 'yes', cover: 'yes' }, 'volts', 'mV', [10, 20], [0.1, 7.9]],
  ['thermopile/volts', { state: 'open', lit: 'yes' }, 'volts', 'mV', [400, 590], [1, 324]],
  ['thermopile/volts', { state: 'loaded', lit: 'yes' }, 'volts', 'mV', [200, 500], [1, 149]],
  ['flame-signal/signal', { electrode: 'no', fn: 'dc', lit: 'yes' }, 'microamps', 'µA', [0.8, 12], [0.01, 0.49]],
  ['flame-signal/feed', { fn: 'high' }, 'volts', 'V', [80, 200], [1, 59]],
  ['glow-igniter/cold', { iso: 'yes', fit: 'carbide', Lz: '0', off: '60' }, 'ohms', 'Ω', [36, 100], [120, 400]],
  ['coil-24v/dead', { iso: 'yes', book: '15', Lz: '0', T: '20 C' }, 'ohms', 'Ω', [12.8, 17.2], [0.75, 10.5]],
  ['air-proof/margin', { make: '0.6' }, 'draft', 'in w.c.', [0.66, 1.08], [0.1, 0.59]],
  ['gas-pressure/inlet', { fuel: 'natural', state: 'alone' }, 'pressure', 'in w.c.', [5, 10.5], [0.5, 4.9]],
  ['gas-pressure/manifold', { fuel: 'natural' }, 'pressure', 'in w.c.', [3.2, 3.8], [1, 2.9]],
  ['gas-pressure/inlet', { fuel: 'propane', state: 'alone' }, 'pressure', 'in w.c.', [10.5, 13], [2, 9.4]],
  ['gas-pressure/manifold', { fuel: 'propane' }, 'pressure', 'in w.c.', [9.5, 10.5], [5, 8.9]],
];

test.each(BANDS)(
  '%s %j: nothing of the sound band is bad, nothing that only a broken one shows is good',
  (place, typed, reads, unit, sound, broken) => {
    const verdicts = ([from, to]: readonly [number, number]): string[] =>
      Array.from(
        { length: 41 },
        (_, i) =>
          judge(place, { ...typed, [reads]: `${from + ((to - from) * i) / 40} ${unit}` }, { instruments: EXACT })
            .verdict,
      );
    if (sound) expect(verdicts(sound)).not.toContain('bad');
    if (broken) expect(verdicts(broken)).not.toContain('good');
  },
);

test('high up a fan makes less draft, and its switch does not know: what it would make at sea level is said', () => {
  // 5000 ft: density ratio 0.8320 (ASHRAE standard atmosphere); 0.72 of 0.60 is 1.2 times, 1.44 at sea level.
  const { notes, verdict } = judge('air-proof/margin', { make: '0.60', draft: '0.72', alt: '5000 ft' });
  expect(verdict).toBe('good');
  expect(notes.join()).toMatch(/0\.83 of the draft of sea level, where it would be 1\.44 times/);
  expect(judge('air-proof/margin', { make: '0.60', draft: '0.72' }).notes).toEqual([]);
});

test('a pressure that fits only in another unit is asked for with its unit, and a unit that was typed counts', () => {
  const manifold = (pressure: string): string => judge('gas-pressure/manifold', { fuel: 'natural', pressure }).verdict;
  // 3.5 in w.c. are 8.718 mbar (NIST SP 811).
  expect(judge('gas-pressure/manifold', { fuel: 'natural', pressure: '8.7' }).because).toMatchObject({
    words: expect.stringMatching(/in which unit/i),
  });
  expect(manifold('8.7 mbar')).toBe('good');
  expect(manifold('8.7 in w.c.')).toBe('bad');
  // With a lower end only, as on a plate, a larger unit always fits: few inches are few.
  const atLeast = {
    whose: 'plate',
    source: 'plate',
    zones: { good: { from: 7 * INWC }, marginal: { from: 7 * INWC } },
  } as const;
  expect(
    judge('gas-pressure/inlet', { fuel: 'natural', state: 'alone', pressure: '4' }, { limits: atLeast }).verdict,
  ).toBe('bad');
  // What fits in no unit is bad as it stands.
  expect(manifold('4.6')).toBe('bad');
});
