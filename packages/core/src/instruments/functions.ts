import type { Dimension } from '../units';

/** Kinds of instruments that can answer by themselves. */
export const INSTRUMENT_KINDS = ['multimeter', 'clamp', 'manometer', 'thermometer', 'analyser'] as const;
export type InstrumentKind = (typeof INSTRUMENT_KINDS)[number];

interface FunctionFacts {
  readonly of: InstrumentKind;
  /** What stands beside the knob. */
  readonly title: string;
  readonly dimension: Dimension;
  /** Units that its display comes in, the usual one first; as the reading line writes them. */
  readonly units: readonly [string, ...string[]];
  /** How its reading is typed, where the unit alone does not say it. */
  readonly typed?: string;
}

/** What instruments can be set to, in the order of their knobs. */
const FUNCTIONS = {
  'v-ac': { of: 'multimeter', title: 'V AC', dimension: 'voltage', units: ['V'], typed: 'Vac' },
  'v-ac-low': { of: 'multimeter', title: 'V AC, low impedance', dimension: 'voltage', units: ['V'], typed: 'Vac' },
  'v-dc': { of: 'multimeter', title: 'V DC', dimension: 'voltage', units: ['V'], typed: 'Vdc' },
  'mv-dc': { of: 'multimeter', title: 'mV DC', dimension: 'voltage', units: ['mV'] },
  ohms: { of: 'multimeter', title: 'Ohms', dimension: 'resistance', units: ['Ω', 'kΩ', 'MΩ'] },
  beeper: { of: 'multimeter', title: 'Beeper', dimension: 'resistance', units: ['Ω'] },
  'ua-dc': { of: 'multimeter', title: 'µA DC', dimension: 'current', units: ['µA'] },
  farads: { of: 'multimeter', title: 'Microfarads', dimension: 'capacitance', units: ['µF'] },
  'a-ac': { of: 'clamp', title: 'A AC', dimension: 'current', units: ['A'] },
  'a-dc': { of: 'clamp', title: 'A DC', dimension: 'current', units: ['A'] },
  pressure: { of: 'manometer', title: 'Pressure', dimension: 'pressure', units: ['in w.c.', 'psi', 'Pa', 'mbar'] },
  temperature: { of: 'thermometer', title: 'Temperature', dimension: 'temperature', units: ['°F', '°C'] },
  oxygen: { of: 'analyser', title: 'Oxygen', dimension: 'fraction', units: ['%'] },
  'carbon-dioxide': { of: 'analyser', title: 'Carbon dioxide', dimension: 'fraction', units: ['%'] },
  'carbon-monoxide': { of: 'analyser', title: 'Carbon monoxide', dimension: 'fraction', units: ['ppm'] },
} as const satisfies Readonly<Record<string, FunctionFacts>>;

export type FunctionId = keyof typeof FUNCTIONS;

export const FUNCTION_IDS = Object.keys(FUNCTIONS) as readonly FunctionId[];

export const factsOf = (id: FunctionId): FunctionFacts => FUNCTIONS[id];

/** What the knob of an instrument stands beside. */
export const functionsOf = (kind: InstrumentKind): readonly FunctionId[] =>
  FUNCTION_IDS.filter((id) => factsOf(id).of === kind);
