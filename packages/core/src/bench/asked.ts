import type { Dimension } from '../units';
import type { Answered, ChoiceAsk, Need, NumberAsk } from './spec';
import type { InstrumentOfABag } from './uncertainty';

type More = { readonly need?: Need; readonly when?: Answered };

const number =
  (dimension: Dimension, unit: string, instrument?: InstrumentOfABag) =>
  (id: string, title: string, example: string, more: More = {}): NumberAsk => ({
    kind: 'number',
    id,
    title,
    dimension,
    unit,
    example,
    need: 'must',
    ...(instrument && { instrument }),
    ...more,
  });

/** Readings, each with the instrument it is read with. */
export const ohms = number('resistance', 'Ω', 'ohms');
export const voltsAc = number('voltage', 'V', 'volts-ac');
export const voltsDc = number('voltage', 'V', 'volts-dc');
export const millivolts = number('voltage', 'mV', 'millivolts');
export const microamps = number('current', 'µA', 'microamps');
export const amps = number('current', 'A', 'clamp');
export const farads = number('capacitance', 'µF', 'capacitance');
export const pressure = number('pressure', 'in w.c.', 'manometer');
export const seconds = number('time', 's', 'stopwatch');
export const warmth = number('temperature', '', 'thermometer');

/** What is read on a plate, a scale or a sheet. */
export const plate = {
  ohms: number('resistance', 'Ω'),
  volts: number('voltage', 'V'),
  amps: number('current', 'A'),
  farads: number('capacitance', 'µF'),
  watts: number('power', 'W'),
  pressure: number('pressure', 'in w.c.'),
  psi: number('pressure', 'psi'),
  seconds: number('time', 's'),
  minutes: number('time', 'min'),
  warmth: number('temperature', ''),
  length: number('length', 'mm'),
  share: number('fraction', '%'),
  count: number('none', ''),
  kelvin: number('temperature-difference', 'Δ°C'),
  fahrenheit: number('temperature-difference', 'Δ°F'),
  heat: number('power', 'Btu/h'),
  cfm: number('flow', 'cfm'),
  gpm: number('flow', 'gpm'),
  gas: number('flow', 'ft³/h'),
  cubicFeet: number('volume', 'ft³'),
  gallons: number('volume', 'gal'),
  feet: number('length', 'ft'),
  inch: number('length', 'inch'),
  ppm: number('fraction', 'ppm'),
};

export const choice = (
  id: string,
  title: string,
  options: Readonly<Record<string, string>>,
  more: More = {},
): ChoiceAsk => ({
  kind: 'choice',
  id,
  title,
  options: Object.entries(options).map(([key, words]) => ({ id: key, title: words })),
  need: 'must',
  ...more,
});

/** Conditions that many tests share. */
export const ISOLATED = choice('iso', 'Both ends off, nothing parallel?', {
  yes: 'yes, isolated',
  no: 'no, in circuit',
});
export const LOADED = choice('ld', 'Load connected, and the call on?', {
  yes: 'yes, current flows',
  no: 'no, or unplugged',
});
export const LEADS = plate.ohms('Lz', 'Tips together', '0.3', { need: 'assumed' });
export const OFF_SINCE = plate.minutes('off', 'Minutes since it was on', '30', { need: 'assumed' });
export const WARMTH = plate.warmth('T', 'Temperature of the winding', '20 C', { need: 'assumed' });
export const WARM = choice(
  'warm',
  'How warm is it?',
  {
    room: 'over an hour in this room, about 20 °C',
    idle: 'it did not run; how warm it is I do not know',
    ran: 'it ran within the last half hour',
  },
  { need: 'assumed' },
);

/** Rows for conditions without which nothing is judged. */
export const NOT_ISOLATED = {
  when: { iso: 'no' },
  verdict: 'repeat',
  because: 'In circuit something parallel is read with it. Take one end off and read again.',
} as const;
export const NOT_LOADED = {
  when: { ld: 'no' },
  verdict: 'repeat',
  because: 'Without its load no current flows, and nothing is lost on the way. Connect it, call, and read again.',
} as const;

/** Whether the meter loads what it reads: what couples into an open wire is gone then. */
export const INPUT = choice(
  'input',
  'The meter’s input is',
  { high: 'high impedance', low: 'low impedance' },
  { need: 'maybe' },
);
