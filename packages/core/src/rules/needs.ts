import type { Circumstances } from './circumstances';
import { appliesTo, C, D, type Family, H, HP, S, SW } from './family';

const MINUTE = 60_000;

/** What must be known or done before a test or an action; an unmet one is proposed first, its sentence on the button. */
export interface Need {
  readonly id: string;
  readonly sentence: string;
  /** How it is met: by setting the appliance, by answering a fact, by waiting, or by doing it and saying so. */
  readonly by:
    | { readonly set: 'gas-off' | 'power-off' }
    | { readonly fact: string; readonly good: readonly string[] }
    | { readonly fact: string; readonly most?: number; readonly least?: number }
    | { readonly minutes: number }
    | 'words'
    | 'done';
  readonly holds: (c: Circumstances, of?: string) => boolean;
  /** What has to be so while it is done. */
  readonly first?: readonly string[];
  /** Families that have a sentence of their own. */
  readonly says?: readonly { readonly families: readonly Family[]; readonly sentence: string }[];
}

/** The finding of water lapses with five minutes of firing, a quarter of an hour, or a change of setup (see `set`). */
const water = (c: Circumstances): boolean => {
  const met = c.need('water');
  return met !== undefined && c.fired - met.fired <= 5 * MINUTE && c.now - met.at <= 15 * MINUTE;
};

/** How long gas has been off without a wait being over, milliseconds to go. */
export function waitLeft(c: Circumstances): number {
  if (c.gas || c.gasSince === undefined) return 5 * MINUTE;
  return Math.max(0, 5 * MINUTE - (c.now - c.gasSince));
}

export const NEEDS: readonly Need[] = [
  {
    id: 'power-off',
    sentence: 'Switch the power off and note it.',
    by: { set: 'power-off' },
    holds: (c) => !c.power && c.powerSince !== undefined,
  },
  {
    id: 'gas-off',
    sentence: 'Shut the gas cock, handle across.',
    by: { set: 'gas-off' },
    holds: (c) => !c.gas && c.gasSince !== undefined,
  },
  {
    id: 'held',
    sentence: 'Shut the cock, or knob to pilot: no main gas.',
    by: 'done',
    holds: (c) => c.gasHeld,
  },
  {
    id: 'meter',
    sentence: 'Prove the meter on a live source.',
    by: 'done',
    holds: (c) => c.holdsWithin('meter', 30 * MINUTE),
  },
  {
    id: 'isolated',
    sentence: 'Pull its plug or lift one lead.',
    by: 'done',
    holds: (c, of = '') => c.need(`isolated ${of}`) !== undefined,
  },
  {
    id: 'clipped',
    sentence: 'Power off to connect it, leads clipped.',
    by: 'done',
    first: ['power-off'],
    holds: (c) => c.holdsWithin('clipped', 30 * MINUTE),
  },
  {
    id: 'discharged',
    sentence: 'Discharge the capacitor by a resistor, < 1 V.',
    by: 'done',
    holds: (c) => c.need('discharged') !== undefined,
  },
  {
    id: 'water',
    sentence: 'Drain the glass, see it refill to a line. No refill in ten seconds: cannot tell.',
    says: [
      { families: S, sentence: 'Drain the glass, see it refill to a line. No refill in ten seconds: cannot tell.' },
      { families: [...H, ...C], sentence: 'Read ≥ 10 psi, bleed water at the boiler’s top.' },
    ],
    by: { fact: 'glass', good: ['line'] },
    holds: water,
  },
  {
    id: 'cause',
    sentence: 'Look for what opened it.',
    by: 'words',
    holds: (c, of = '') => c.causes.has(of),
  },
  {
    id: 'wait5',
    sentence: 'Gas off: wait five minutes.',
    by: { minutes: 5 },
    holds: (c) => waitLeft(c) === 0,
  },
  {
    id: 'sniff',
    sentence: 'Smell at the floor, then the burner.',
    by: { fact: 'smell', good: ['none', 'burner'] },
    holds: (c) => c.saidWithin('smell', 5 * MINUTE) && c.is('smell', 'none', 'burner'),
  },
  {
    id: 'co-on',
    sentence: 'CO monitor on: ≤ 9.',
    by: { fact: 'co', most: 9 },
    holds: (c) => c.saidWithin('co', 30 * MINUTE) && (c.number('co') ?? Infinity) <= 9,
  },
  {
    id: 'gauge',
    sentence: 'Connect the gauge; note where the screw stands.',
    by: 'words',
    first: ['gas-off'],
    holds: (c) => c.need('gauge') !== undefined,
  },
  {
    id: 'draft',
    sentence: 'Measure the draft with the fan running: at or above its make value.',
    by: { fact: 'draft', good: ['enough'] },
    holds: (c) => c.saidWithin('draft', 15 * MINUTE) && c.is('draft', 'enough'),
  },
  {
    id: 'cool',
    sentence: 'Under 50 °C: hand on it five seconds.',
    by: { fact: 'casing', good: ['cold'] },
    holds: (c) => !c.hot,
  },
  {
    id: 'relieved',
    sentence: 'Gauge at zero, drain open, nothing comes.',
    by: 'done',
    holds: (c) => c.need('relieved') !== undefined,
  },
  {
    id: 'feed-shut',
    sentence: 'Shut the water feed by hand.',
    by: 'done',
    holds: (c) => c.need('feed-shut') !== undefined,
  },
  {
    id: 'still',
    sentence: 'Pull the plug or lock the breaker off.',
    by: 'done',
    holds: (c) => c.need('still') !== undefined,
  },
  {
    id: 'dry',
    sentence: 'Stand on dry floor in dry shoes.',
    by: 'done',
    holds: (c) => c.need('dry') !== undefined,
  },
  {
    id: 'watch',
    sentence: 'Stay beside it, hand at the switch.',
    by: 'done',
    holds: (c, of = '') => c.holdsWithin(`watch ${of}`, 15 * MINUTE),
  },
  {
    id: 'no-vapour',
    sentence: 'Petrol, paint or solvent near the burner? Carry it out and air the room.',
    by: { fact: 'vapour', good: ['no'] },
    holds: (c) => c.is('vapour', 'no'),
  },
  {
    id: 'full',
    sentence: 'Run a hot tap until no air comes.',
    by: { fact: 'tank', good: ['full'] },
    holds: (c) => c.is('tank', 'full'),
  },
  {
    id: 'aired',
    sentence: 'Air the drum.',
    by: { fact: 'lint', good: ['yes'] },
    holds: (c) => c.saidWithin('lint', 5 * MINUTE) && c.is('lint', 'yes'),
  },
];

const BY_ID = new Map(NEEDS.map((need) => [need.id, need]));
export const needOf = (id: string): Need => BY_ID.get(id)!;
export const NEED_IDS: readonly string[] = NEEDS.map(({ id }) => id);

/** The sentence of a need for a family. */
export const needSentence = ({ sentence, says = [] }: Need, family: Family | undefined): string =>
  says.find(({ families }) => family !== undefined && families.includes(family))?.sentence ?? sentence;

/** Kinds of tests and actions with what each needs, in the order in which it is asked for. */
export interface Work {
  readonly id: string;
  readonly needs: readonly (string | { readonly need: string; readonly families: readonly Family[] })[];
  /** Without these needs a reading proves nothing. */
  readonly proves?: readonly string[];
  /** The grant it takes. */
  readonly grant?: 'line' | 'gas' | 'bypass' | 'steam' | 'combustion';
  /** Nobody is ever offered it. */
  readonly never?: true;
}

export const WORKS: readonly Work[] = [
  {
    id: 'ohms',
    needs: ['power-off', 'meter', 'isolated', { need: 'discharged', families: HP }, { need: 'gas-off', families: SW }],
    proves: ['power-off', 'meter', 'isolated'],
  },
  { id: 'volts-control', needs: [] },
  { id: 'volts-line', needs: ['meter', 'dry'], proves: ['meter'], grant: 'line' },
  { id: 'spark', needs: ['held'] },
  { id: 'volts-on-spark', needs: [], never: true },
  { id: 'microamps', needs: ['clipped'] },
  { id: 'microamps-on-spark', needs: [], never: true },
  /** Read at the control itself: its service menu, or pins made for it. */
  { id: 'control-port', needs: [] },
  { id: 'pressure-tap', needs: ['gauge'], proves: ['gauge'], grant: 'gas' },
  { id: 'gas-screw', needs: ['gauge'], grant: 'gas' },
  { id: 'thermocouple-off', needs: ['gas-off', 'wait5', 'sniff', 'watch'], grant: 'gas' },
  { id: 'bypass', needs: ['power-off', 'watch'], grant: 'bypass' },
  { id: 'manual-reset', needs: ['cause', 'cool'] },
  { id: 'relight', needs: ['gas-off', 'wait5', 'sniff'], grant: 'gas' },
  { id: 'next-try', needs: ['gas-off', 'wait5', 'sniff', { need: 'aired', families: D }] },
  { id: 'gas-joint', needs: ['gas-off'], grant: 'gas' },
  { id: 'let-gas-out', needs: [], never: true },
  { id: 'burner', needs: ['power-off', 'gas-off', 'cool'] },
  {
    id: 'water-side',
    needs: ['power-off', 'gas-off', 'cool', 'relieved', 'feed-shut'],
    grant: 'steam',
  },
  { id: 'capacitor', needs: ['still', 'discharged', 'isolated'], proves: ['discharged', 'isolated'] },
  { id: 'hot-igniter', needs: ['cool'] },
  { id: 'drum', needs: ['still'] },
  { id: 'pool', needs: ['still', 'dry'] },
  { id: 'element-on', needs: ['full'] },
  { id: 'loose-exhaust', needs: ['co-on', 'watch'] },
  { id: 'swap', needs: ['power-off', 'isolated'] },
];

const WORK_BY_ID = new Map(WORKS.map((work) => [work.id, work]));
export const workOf = (id: string): Work | undefined => WORK_BY_ID.get(id);
export const WORK_IDS: readonly string[] = WORKS.map(({ id }) => id);

/** Needs of a piece of work for a family, in order. */
export const needsOf = ({ needs }: Work, family: Family | undefined): string[] =>
  needs.flatMap((need) =>
    typeof need === 'string' ? [need] : family !== undefined && appliesTo(need.families, family) ? [need.need] : [],
  );
