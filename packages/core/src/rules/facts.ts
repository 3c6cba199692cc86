import { C, D, F, type Family, G, H, HP, MF, MW, PH, S, SW } from './family';

/** One thing that can be said about an appliance or the room it stands in; the newest counts. */
export interface Fact {
  readonly id: string;
  /** Under which heading it is asked for. */
  readonly group: 'gas' | 'air' | 'water' | 'fire' | 'electricity' | 'appliance';
  readonly ask: string;
  /** What it can be: one of some words, or a number in a unit. */
  readonly is: readonly Answer[] | { readonly unit: string };
  readonly families?: readonly Family[];
}

interface Answer {
  readonly id: string;
  readonly title: string;
}

/** What was said of a fact: one of its words, or a number in its unit. */
export type FactValue = string | number;

const yesNo: readonly Answer[] = [
  { id: 'yes', title: 'Yes' },
  { id: 'no', title: 'No' },
];

/**
 * Every fact that a rule looks at. Sniff: propane or unknown fuel at the floor and in low corners first, natural gas at joints
 * and ceiling; a nose that is dulled or has a cold takes a detector, else it cannot tell.
 */
export const FACTS: readonly Fact[] = [
  {
    id: 'smell',
    group: 'gas',
    ask: 'Where does it smell of gas? Propane or unknown fuel: floor and low corners first. Natural gas: joints and ceiling.',
    is: [
      { id: 'none', title: 'Nowhere' },
      { id: 'burner', title: 'Only at the burner, within 5 min of a try' },
      { id: 'joint', title: 'Within arm’s length of appliance or pipe' },
      { id: 'room', title: 'On entering, or farther away' },
      { id: 'cannot-tell', title: 'Cannot tell: nose dulled or a cold' },
    ],
    families: G,
  },
  { id: 'hiss', group: 'gas', ask: 'Does gas hiss somewhere?', is: yesNo, families: G },
  {
    id: 'fades',
    group: 'gas',
    ask: 'Cock shut and aired five minutes: is the smell gone?',
    is: yesNo,
    families: G,
  },
  {
    id: 'lel',
    group: 'gas',
    ask: 'What does the gas detector show (per cent of LEL)?',
    is: { unit: '%' },
    families: G,
  },
  {
    id: 'joint',
    group: 'gas',
    ask: 'Soap brushed on every joint and watched for 60 s: what do they do?',
    is: [
      { id: 'dry', title: 'All dry' },
      { id: 'bubbles', title: 'One bubbles' },
    ],
    families: G,
  },
  {
    id: 'passes',
    group: 'gas',
    ask: 'No call: does the main burner burn, or does gas flow past the valve?',
    is: yesNo,
    families: G,
  },
  { id: 'inlet', group: 'gas', ask: 'What is the inlet pressure (in w.c.)?', is: { unit: 'in w.c.' }, families: G },
  {
    id: 'fuel-fit',
    group: 'gas',
    ask: 'Do fuel, plate, regulator and orifice fit each other?',
    is: [
      { id: 'right', title: 'They fit' },
      { id: 'over-plate', title: 'Inlet above the plate' },
      { id: 'other-fuel', title: 'Other fuel, not converted' },
      { id: 'drilled', title: 'Drilled orifice' },
    ],
    families: G,
  },
  {
    id: 'vapour',
    group: 'gas',
    ask: 'Petrol, paint or solvent near the burner?',
    is: yesNo,
    families: G,
  },
  {
    id: 'co',
    group: 'air',
    ask: 'CO at breathing height, meter zeroed outdoors, nothing subtracted (ppm)?',
    is: { unit: 'ppm' },
  },
  { id: 'alarm', group: 'air', ask: 'Is a CO alarm sounding?', is: yesNo },
  {
    id: 'symptoms',
    group: 'air',
    ask: 'Headache or nausea, anybody?',
    is: [...yesNo, { id: 'not-asked', title: 'Not asked' }],
  },
  {
    id: 'vent',
    group: 'air',
    ask: 'Five minutes into firing, all fans on: vent, chimney, air openings?',
    is: [
      { id: 'draws', title: 'It draws, openings free' },
      { id: 'spills', title: 'It spills' },
      { id: 'blocked', title: 'Vent blocked' },
      { id: 'loose', title: 'Vent loose' },
      { id: 'air-shut', title: 'Air opening shut' },
    ],
    families: G,
  },
  {
    id: 'draft',
    group: 'air',
    ask: 'Draft at the air proof, measured with the fan running?',
    is: [
      { id: 'enough', title: 'At or above its make value' },
      { id: 'low', title: 'Below it' },
    ],
    families: G,
  },
  {
    id: 'co-air-free',
    group: 'air',
    ask: 'Air-free CO in the flue (ppm)?',
    is: { unit: 'ppm' },
    families: G,
  },
  {
    id: 'glass',
    group: 'water',
    ask: 'Where does the water stand in the gauge glass?',
    is: [
      { id: 'line', title: 'At a line' },
      { id: 'full', title: 'Full to the top' },
      { id: 'empty', title: 'Looked, no water to be seen' },
      { id: 'cannot-tell', title: 'Cannot tell' },
    ],
    families: S,
  },
  {
    id: 'pencil',
    group: 'water',
    ask: 'A pencil held behind the glass: broken or straight?',
    is: [
      { id: 'broken', title: 'Broken: water' },
      { id: 'straight', title: 'Straight: none' },
      { id: 'cannot-tell', title: 'Cannot tell' },
    ],
    families: S,
  },
  {
    id: 'water-pressure',
    group: 'water',
    ask: 'What does the water gauge show (psi)?',
    is: { unit: 'psi' },
    families: [...H, ...C],
  },
  {
    id: 'boiler-noise',
    group: 'water',
    ask: 'Does the boiler knock or steam?',
    is: [
      { id: 'quiet', title: 'Neither' },
      { id: 'knocks', title: 'It knocks' },
      { id: 'steams', title: 'It steams' },
    ],
    families: [...H, ...C],
  },
  {
    id: 'pump',
    group: 'water',
    ask: 'Is the pool pump seen running, water moving?',
    is: yesNo,
    families: [...PH, ...HP],
  },
  {
    id: 'tank',
    group: 'water',
    ask: 'Is the tank full: hot tap run until no air comes?',
    is: [
      { id: 'full', title: 'Full' },
      { id: 'drained', title: 'Drained, or new' },
      { id: 'air', title: 'Air at the tap' },
    ],
    families: [...MW, ...SW],
  },
  {
    id: 'element',
    group: 'water',
    ask: 'Is the electric element switched on?',
    is: [
      { id: 'on', title: 'On' },
      { id: 'off', title: 'Off' },
    ],
    families: MW,
  },
  {
    id: 'casing',
    group: 'water',
    ask: 'Hand on the casing for five seconds: hot or cold?',
    is: [
      { id: 'hot', title: 'Hot' },
      { id: 'cold', title: 'Cold' },
      { id: 'cannot-tell', title: 'Cannot tell' },
    ],
  },
  { id: 'temp', group: 'water', ask: 'Its temperature (°C)?', is: { unit: '°C' } },
  { id: 'unfired', group: 'water', ask: 'Has it not burned for two hours at least?', is: yesNo },
  {
    id: 'jacket',
    group: 'water',
    ask: 'Is the jacket scorched?',
    is: yesNo,
    families: [...S, ...H, ...C],
  },
  {
    id: 'relief',
    group: 'water',
    ask: 'The relief valve and its pipe?',
    is: [
      { id: 'right', title: 'Right valve, open pipe' },
      { id: 'plugged', title: 'Plugged or capped' },
      { id: 'missing', title: 'Missing' },
      { id: 'metal-plug', title: 'Metal in place of the plastic plug' },
    ],
    families: [...S, ...H, ...C, ...MW, ...SW],
  },
  {
    id: 'relief-flow',
    group: 'water',
    ask: 'Does the relief valve let water or steam out?',
    is: [
      { id: 'dry', title: 'Dry' },
      { id: 'drips', title: 'It drips' },
      { id: 'runs', title: 'It blows or runs' },
    ],
    families: [...S, ...H, ...C, ...MW, ...SW],
  },
  { id: 'fire', group: 'fire', ask: 'Fire or smoke outside the burner?', is: yesNo },
  {
    id: 'flame-out',
    group: 'fire',
    ask: 'Does the flame roll or lean out of the burner space?',
    is: yesNo,
    families: G,
  },
  {
    id: 'light-off',
    group: 'fire',
    ask: 'How does it light?',
    is: [
      { id: 'soft', title: 'Softly' },
      { id: 'bang', title: 'Late, with a bang' },
    ],
    families: G,
  },
  {
    id: 'flame',
    group: 'fire',
    ask: 'How does the main flame look?',
    is: [
      { id: 'blue', title: 'Soft, steady, blue' },
      { id: 'lifts', title: 'It lifts' },
      { id: 'yellow-soot', title: 'Yellow, with soot' },
      { id: 'fresh-soot', title: 'Fresh soot' },
    ],
    families: G,
  },
  {
    id: 'exchanger',
    group: 'fire',
    ask: 'The heat exchanger?',
    is: [
      { id: 'sound', title: 'No crack, nothing moves' },
      { id: 'crack', title: 'A crack is seen' },
      { id: 'flame-moves', title: 'The flame moves as the blower starts' },
      { id: 'co-in-supply', title: 'CO in the supply air above the room’s' },
    ],
    families: [...F, ...MF, ...PH, ...H, ...S, ...C],
  },
  {
    id: 'try',
    group: 'fire',
    ask: 'A try that you watched: did it light?',
    is: [
      { id: 'no-flame', title: 'No flame' },
      { id: 'lit', title: 'It lit' },
    ],
    families: G,
  },
  {
    id: 'under-water',
    group: 'appliance',
    ask: 'Was the gas control or the wiring under water?',
    is: yesNo,
  },
  {
    id: 'melted',
    group: 'electricity',
    ask: 'A wire, plug or board scorched, melted, arcing?',
    is: yesNo,
  },
  { id: 'tingle', group: 'electricity', ask: 'Does the case tingle?', is: yesNo },
  {
    id: 'case-volts',
    group: 'electricity',
    ask: 'Volts from case to ground? High-impedance meter: hands off, read again low-impedance.',
    is: { unit: 'V' },
  },
  {
    id: 'receptacle',
    group: 'electricity',
    ask: 'The receptacle?',
    is: [
      { id: 'right', title: 'Right' },
      { id: 'swapped', title: 'Hot and neutral swapped' },
      { id: 'no-ground', title: 'No ground' },
    ],
  },
  {
    id: 'refrigerant',
    group: 'appliance',
    ask: 'The refrigerant side, looked at only?',
    is: [
      { id: 'clear', title: 'Nothing to be seen' },
      { id: 'oil', title: 'Oil stains' },
      { id: 'hiss', title: 'It hisses' },
      { id: 'ice', title: 'The coil is iced' },
      { id: 'low-open', title: 'Low-pressure switch open, water and air warm' },
    ],
    families: HP,
  },
  {
    id: 'fuel',
    group: 'gas',
    ask: 'Which fuel does the plate name?',
    is: [
      { id: 'natural', title: 'Natural gas' },
      { id: 'propane', title: 'Propane' },
    ],
    families: G,
  },
  {
    id: 'showed',
    group: 'appliance',
    ask: 'How did the fault show?',
    is: [
      { id: 'steady', title: 'Always, and its cause is mended' },
      { id: 'came-and-went', title: 'It came and went' },
      { id: 'cause-left', title: 'Its cause is still there' },
    ],
  },
  {
    id: 'shows-after',
    group: 'appliance',
    ask: 'How long did it take to show, at the longest?',
    is: { unit: 'min' },
  },
  {
    id: 'trips-after',
    group: 'appliance',
    ask: 'With this cause, after how long would it stop again?',
    is: { unit: 'min' },
  },
  {
    id: 'lint',
    group: 'appliance',
    ask: 'Drum aired since the last try?',
    is: yesNo,
    families: D,
  },
];

const BY_ID = new Map(FACTS.map((fact) => [fact.id, fact]));

export const factWith = (id: string): Fact | undefined => BY_ID.get(id);

/** Why a value is none of this fact; nothing when it is one. */
export function factProblem(id: string, value: FactValue): string | undefined {
  const fact = factWith(id);
  if (!fact) return `there is no fact ${id}`;
  if ('unit' in fact.is)
    return typeof value === 'number' && Number.isFinite(value) ? undefined : `${id} is a number in ${fact.is.unit}`;
  const answers = fact.is.map((a) => a.id);
  return answers.includes(String(value)) ? undefined : `${id} is one of ${answers.join(', ')}`;
}
