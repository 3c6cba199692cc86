import { overdue } from './bypasses';
import type { Circumstances } from './circumstances';
import type { FactValue } from './facts';
import { C, type Family, F, G, H, hasGas, hasPower, HP, MF, MW, PH, S, SW } from './family';
import type { Grant } from './role';

/** `out`: people leave, nothing is proposed. `off`: appliance off. `hold`: only what is named meanwhile. */
export type Grade = 'out' | 'off' | 'hold';

/** What is to be done at a stop, one after another. */
export interface Order {
  readonly id: string;
  readonly sentence: string;
  /** A fact that is wanted instead of `done`; or some words, and what they are. */
  readonly wants?: { readonly fact: string } | { readonly words: string };
  /** What is so when it is done: a shut-off. */
  readonly sets?: { readonly gas?: false; readonly power?: false; readonly bypasses?: 'off' };
  readonly families?: readonly Family[];
}

/** One line of what a stop is ended on. */
export interface Evidence {
  readonly id: string;
  readonly ask: string;
  readonly is:
    | 'tick'
    | 'words'
    /** Minutes that must have passed since the stop came. */
    | { readonly minutes: number }
    | { readonly unit: string; readonly most?: number; readonly least?: number }
    /** A need that holds now. */
    | { readonly need: string };
  readonly families?: readonly Family[];
}

/** Who may end a stop. */
export interface Ender {
  readonly role: 'anyone' | 'technician' | 'lead';
  readonly grant?: Grant;
}

export interface Stop {
  readonly id: string;
  readonly title: string;
  readonly grade: Grade | ((c: Circumstances) => Grade);
  readonly families?: readonly Family[];
  /** The facts that can bring it; `gas`, `power`, `bypass` are the setup. Once it ended, older ones count no more. */
  readonly looksAt: readonly string[];
  readonly when: (c: Circumstances, limits: Limits) => boolean;
  readonly orders: readonly Order[];
  /** What may be done meanwhile, in words. */
  readonly meanwhile: string;
  /** Kinds of tests that may still be proposed. */
  readonly allows: readonly Allowed[];
  readonly evidence: readonly Evidence[];
  /** What is to be done after it ended. */
  readonly afterwards?: string;
  readonly endedBy: Ender | ((c: Circumstances, evidence: Readonly<Record<string, FactValue>>) => Ender);
}

/** What may be proposed while a stop stands: looks, dead tests, pressures, live volts. */
export type Allowed = 'look' | 'dead' | 'gauge' | 'volts';

/** So many tries without a flame may follow each other; then gas has to leave for five minutes. */
export const TRIES_IN_A_ROW = 4;

/** Values of practice that a shop may tighten, never loosen. */
export interface Limits {
  readonly coFind: number;
  readonly coOff: number;
  readonly coOut: number;
}

export const LIMITS: Limits = { coFind: 9, coOff: 35, coOut: 70 };

/** Takes a shop's own limits where they are stricter. */
export const tightened = (own: Partial<Limits>): Limits => ({
  coFind: Math.min(LIMITS.coFind, own.coFind ?? Infinity),
  coOff: Math.min(LIMITS.coOff, own.coOff ?? Infinity),
  coOut: Math.min(LIMITS.coOut, own.coOut ?? Infinity),
});

const SHUT_GAS: Order = { id: 'gas', sentence: 'Shut the gas cock.', sets: { gas: false }, families: G };
const POWER_OFF: Order = {
  id: 'power',
  sentence: 'Switch the power off.',
  sets: { power: false },
};
export const SHUT_OFFS: readonly Order[] = [SHUT_GAS, POWER_OFF];
export const TAG: readonly Order[] = [
  { id: 'tag', sentence: 'Hang the tag: do not use.' },
  { id: 'tell', sentence: 'Tell the customer.', wants: { words: 'name' } },
];
const WET: readonly Family[] = [...S, ...H, ...C];
const FEED: readonly Order[] = [
  { id: 'feed', sentence: 'Shut the water feed by hand, the automatic feeder too.', families: WET },
  { id: 'no-water', sentence: 'Add no water.', families: WET },
];
const EXIT: Order = { id: 'exit', sentence: 'Get everybody out. Leave doors open behind you.' };
const SYMPTOMS: Order = {
  id: 'symptoms',
  sentence: 'Ask everybody: headache, nausea.',
  wants: { fact: 'symptoms' },
};
const PPM = { unit: 'ppm' } as const;
const tick = (id: string, ask: string): Evidence => ({ id, ask, is: 'tick' });
const words = (id: string, ask: string): Evidence => ({ id, ask, is: 'words' });
const good = (id: string, ask = 'CO now (ppm)'): Evidence => ({ id, ask, is: { ...PPM, most: 9 } });
const T: Ender = { role: 'technician' };
const L: Ender = { role: 'lead' };

const order = (id: string, sentence: string, wants?: Order['wants']): Order => ({
  id,
  sentence,
  ...(wants && { wants }),
});

/** Every stop, as the rules list them. */
export const STOPS: readonly Stop[] = [
  {
    id: 'gas-strong',
    title: 'Strong smell of gas',
    grade: 'out',
    families: G,
    looksAt: ['smell', 'hiss', 'fades', 'lel'],
    when: (c) => c.is('smell', 'room') || c.is('hiss', 'yes') || c.is('fades', 'no') || (c.number('lel') ?? 0) >= 10,
    orders: [
      order('touch', 'Touch no switch, light nothing.'),
      EXIT,
      { ...order('outside', 'Shut the gas outside if that is safe.'), sets: { gas: false } },
      order('call', 'Call the gas emergency number from outside.', { words: 'time' }),
      order('nobody', 'Let nobody in until they clear it.'),
    ],
    meanwhile: 'Nothing.',
    allows: [],
    evidence: [
      words('clearance', 'Clearance: who, when'),
      tick('no-smell', 'No smell at floor and ceiling, or the detector shows 0'),
    ],
    afterwards: 'Sniff again ten minutes after the gas is on.',
    endedBy: T,
  },
  {
    id: 'gas-minor',
    title: 'Smell of gas at a joint',
    grade: 'hold',
    families: G,
    looksAt: ['smell', 'joint', 'lel'],
    when: (c) =>
      c.is('smell', 'joint') ||
      c.is('joint', 'bubbles') ||
      (c.is('smell', 'cannot-tell') && c.number('lel') === undefined),
    orders: [
      SHUT_GAS,
      order('open', 'Put out flames, open windows.'),
      order('again', 'Wait five minutes, smell again: is it gone?', { fact: 'fades' }),
      order('soap', 'Soap every joint.', { fact: 'joint' }),
      order('remake', 'Remake the one that bubbles.'),
      order('soap-again', 'Soap it again under pressure.'),
    ],
    meanwhile: 'Sniff, soap, gauge.',
    allows: ['gauge'],
    evidence: [tick('dry', 'Each joint dry for 60 s'), tick('no-smell', 'No smell five minutes after gas on')],
    endedBy: T,
  },
  {
    id: 'co-out',
    title: 'Carbon monoxide: everybody out',
    grade: 'out',
    looksAt: ['co', 'symptoms', 'alarm'],
    when: (c, { coOut }) =>
      (c.number('co') ?? 0) >= coOut ||
      c.is('symptoms', 'yes') ||
      (c.is('alarm', 'yes') && c.number('co') === undefined),
    orders: [
      EXIT,
      order('burner', 'Switch the burner off only on your way.'),
      order('count', 'Count the people.', { words: 'all out' }),
      order('call', 'Call the emergency number.', { words: 'time' }),
      order('doctor', 'Send anyone unwell to a doctor.', { words: 'names' }),
      order('nobody', 'Let nobody in until it is cleared.'),
    ],
    meanwhile: 'Nothing.',
    allows: [],
    evidence: [words('clearance', 'Clearance: who, when'), good('co')],
    endedBy: L,
  },
  {
    id: 'co-off',
    title: 'Carbon monoxide: burners off',
    grade: 'off',
    looksAt: ['co'],
    when: (c, { coOff, coOut }) => inside(c.number('co'), coOff, coOut),
    orders: [
      order('burners', 'Shut every burner down.'),
      order('open', 'Open doors and windows.'),
      SYMPTOMS,
      order('again', 'Read again after 15 minutes.', { fact: 'co' }),
      ...TAG,
    ],
    meanwhile: 'CO, cold looks.',
    allows: ['look'],
    evidence: [
      words('source', 'Source mended: what'),
      good('co', 'CO after 15 min of running (ppm)'),
      tick('flue', 'Flue reading in limits'),
    ],
    endedBy: T,
  },
  {
    id: 'co-find',
    title: 'Carbon monoxide: find the source',
    grade: 'hold',
    looksAt: ['co'],
    when: (c, { coFind, coOff }) => {
      const co = c.number('co');
      return co !== undefined && co > coFind && co < coOff;
    },
    orders: [
      order('monitor', 'Keep your CO monitor on.'),
      SYMPTOMS,
      order('read', 'Read CO outdoors and at every burner.', { fact: 'co' }),
      order('look', 'Look at vent, spill and air openings.'),
    ],
    meanwhile: 'CO, vent, flue readings, firing for them.',
    allows: ['look', 'gauge'],
    evidence: [
      words('source', 'The source: what'),
      good('co', 'CO, first reading (ppm)'),
      good('co-again', 'CO 15 min later, all burners on (ppm)'),
    ],
    endedBy: T,
  },
  {
    id: 'fire',
    title: 'Fire or smoke outside the burner',
    grade: 'out',
    looksAt: ['fire'],
    when: (c) => c.is('fire', 'yes'),
    orders: [
      EXIT,
      order('shut', 'Shut gas and power only on your way.'),
      order('call', 'Call the fire service.', { words: 'time' }),
    ],
    meanwhile: 'Nothing.',
    allows: [],
    evidence: [words('clearance', 'Clearance: who, when')],
    endedBy: L,
  },
  {
    id: 'no-water',
    title: 'No water to be seen, and it can fire',
    grade: 'off',
    families: [...S, ...H, ...C, ...PH, ...HP],
    looksAt: ['glass', 'water-pressure', 'boiler-noise', 'pump', 'gas', 'power', 'bypass'],
    when: (c) => !c.dead && lacksWater(c),
    orders: [
      ...SHUT_OFFS,
      ...FEED,
      { ...order('bypass', 'Take every bypass off.'), sets: { bypasses: 'off' } },
      order('casing', 'Feel the casing: hot or cold?', { fact: 'casing' }),
      { ...order('pencil', 'Hold a pencil behind the glass: broken or straight?', { fact: 'pencil' }), families: S },
    ],
    meanwhile: 'Those looks. Cold: dead tests.',
    allows: ['dead'],
    evidence: [
      {
        id: 'water',
        ask: 'Water found: glass drained and refilled to a line (filled only when cold)',
        is: { need: 'water' },
        families: S,
      },
      {
        id: 'water',
        ask: 'Water found: 10 psi and more, water bled at the top (filled only when cold)',
        is: { need: 'water' },
        families: [...H, ...C],
      },
      { ...tick('moving', 'Water seen moving'), families: [...PH, ...HP] },
    ],
    endedBy: T,
  },
  {
    id: 'hot-dry',
    title: 'Hot and dry',
    grade: 'off',
    families: [...S, ...H, ...C],
    looksAt: ['glass', 'water-pressure', 'jacket', 'casing', 'temp'],
    when: (c) => ((c.is('glass', 'empty') || (c.number('water-pressure') ?? 1) <= 0) && c.hot) || c.is('jacket', 'yes'),
    orders: [
      ...SHUT_OFFS,
      ...FEED,
      order('away', 'Keep people away.'),
      order('cool', 'Let it cool by itself: its temperature?', { fact: 'temp' }),
      ...TAG,
    ],
    meanwhile: 'Temperature, looks from outside.',
    allows: [],
    evidence: [
      { id: 'temp', ask: 'Temperature now (°C)', is: { unit: '°C', most: 50 } },
      { id: 'hours', ask: 'Two hours of cooling (others: overnight)', is: { minutes: 120 } },
      tick('crack', 'No crack seen'),
      tick('filled', 'Filled slowly, no leak in 30 min'),
      tick('controls', 'Every low-water control tested'),
      tick('cut-off', 'The cut-off had stopped the burner itself (else a lead ends it)'),
    ],
    afterwards: 'A line in the glass does not end it.',
    endedBy: (_c, evidence) => (evidence['cut-off'] === 'yes' ? T : L),
  },
  {
    id: 'flame-out',
    title: 'Flame outside the burner space',
    grade: 'off',
    families: G,
    looksAt: ['flame-out'],
    when: (c) => c.is('flame-out', 'yes'),
    orders: [
      ...SHUT_OFFS,
      order('reset', 'Press no reset.'),
      order('look', 'Look for blocked flue, cracked exchanger, no air.', { words: 'what' }),
    ],
    meanwhile: 'Cold looks.',
    allows: ['look'],
    evidence: [words('cause', 'Cause mended: what'), tick('fire', 'Ten minutes of fire, door on, none outside')],
    endedBy: T,
  },
  {
    id: 'bang',
    title: 'It lit late, with a bang',
    grade: 'off',
    families: G,
    looksAt: ['light-off'],
    when: (c) => c.is('light-off', 'bang'),
    orders: [
      ...SHUT_OFFS,
      order('wait', 'Wait five minutes.'),
      order('look', 'Look at burner, panels and vent joints.', { words: 'damage' }),
    ],
    meanwhile: 'Cold looks, gauge, spark with gas off.',
    allows: ['look', 'gauge'],
    evidence: [words('cause', 'Cause mended: what'), tick('soft', 'Three soft starts')],
    endedBy: T,
  },
  {
    id: 'exchanger',
    title: 'Cracked heat exchanger',
    grade: 'off',
    families: [...F, ...MF, ...PH, ...H, ...S, ...C],
    looksAt: ['exchanger'],
    when: (c) => c.is('exchanger', 'crack', 'flame-moves', 'co-in-supply'),
    orders: [...SHUT_OFFS, ...TAG],
    meanwhile: 'Camera, cold looks.',
    allows: ['look'],
    evidence: [
      words(
        'how',
        'Replaced; or no crack on a second look, CO and O2 alike with blower off and on: which, and by whom',
      ),
    ],
    endedBy: L,
  },
  {
    id: 'wet-control',
    title: 'Gas control or wiring was under water',
    grade: 'off',
    looksAt: ['under-water'],
    when: (c) => c.is('under-water', 'yes'),
    orders: [
      { ...POWER_OFF, sentence: 'Switch the power off from a dry place.' },
      SHUT_GAS,
      order('dry', 'Dry nothing for use again.'),
      ...TAG,
    ],
    meanwhile: 'Cold looks.',
    allows: ['look'],
    evidence: [words('replaced', 'Replaced, not dried: what')],
    endedBy: L,
  },
  {
    id: 'relief-plugged',
    title: 'Relief valve plugged, capped or missing',
    grade: 'off',
    families: [...S, ...H, ...C, ...MW, ...SW],
    looksAt: ['relief'],
    when: (c) => c.is('relief', 'plugged', 'missing', 'metal-plug'),
    orders: [
      ...SHUT_OFFS,
      order('undo', 'Undo nothing under pressure.'),
      order('cool', 'Let it cool, relieve it.', { words: 'psi' }),
      ...TAG,
    ],
    meanwhile: 'Gauge, cold looks.',
    allows: ['look', 'gauge'],
    evidence: [tick('valve', 'Right valve, open pipe'), tick('lever', 'Lever test: it shuts dry')],
    endedBy: T,
  },
  {
    id: 'relief-flow',
    title: 'The relief valve blows or runs',
    grade: 'off',
    families: [...S, ...H, ...C, ...MW, ...SW],
    looksAt: ['relief-flow'],
    when: (c) => c.is('relief-flow', 'runs'),
    orders: [
      ...SHUT_OFFS,
      order('path', 'Stay out of its path.'),
      order('cap', 'Cap nothing.'),
      order('read', 'Read pressure and temperature.', { words: 'both' }),
    ],
    meanwhile: 'Pressure and temperature.',
    allows: ['gauge'],
    evidence: [words('cause', 'Cause mended: what'), tick('dry', 'Dry through one full heat')],
    endedBy: T,
  },
  {
    id: 'melted',
    title: 'Scorched, melted or arcing',
    grade: 'off',
    looksAt: ['melted'],
    when: (c) => c.is('melted', 'yes'),
    orders: [POWER_OFF, SHUT_GAS, order('find', 'Find what carried too much.', { words: 'what' })],
    meanwhile: 'Dead tests.',
    allows: ['dead', 'look'],
    evidence: [
      words('replaced', 'Replaced: what'),
      tick('amperes', 'Amperes within the plate'),
      tick('warm', 'Not warm after 15 min'),
    ],
    endedBy: T,
  },
  {
    id: 'shock',
    title: 'The case may be live',
    grade: (c) => (c.is('tingle', 'yes') || (c.number('case-volts') ?? 0) >= 30 ? 'off' : 'hold'),
    looksAt: ['tingle', 'case-volts', 'receptacle'],
    when: (c) =>
      c.is('tingle', 'yes') || (c.number('case-volts') ?? 0) >= 30 || c.is('receptacle', 'swapped', 'no-ground'),
    orders: [
      order('touch', 'Touch no metal of it.'),
      { ...order('breaker', 'Switch off at the breaker.'), sets: { power: false } },
      order('dead', 'Prove it dead.', { words: 'V' }),
    ],
    meanwhile: 'Receptacle readings.',
    allows: [],
    evidence: [
      tick('hot', 'Hot to neutral = hot to ground ± 5 %'),
      { id: 'neutral', ask: 'Neutral to ground (V)', is: { unit: 'V', most: 2 } },
      { id: 'case', ask: 'Case to ground (V)', is: { unit: 'V', most: 2 } },
    ],
    endedBy: { role: 'technician', grant: 'line' },
  },
  {
    id: 'vent',
    title: 'Flue gas spills, or the burner has no air',
    grade: 'off',
    families: G,
    looksAt: ['vent', 'draft', 'bypass', 'gas'],
    when: (c) =>
      c.is('vent', 'spills', 'blocked', 'loose', 'air-shut') ||
      (c.mayFire &&
        !c.gasHeld &&
        c.family !== 'dryer' &&
        c.bypasses.some(({ kind }) => kind === 'air-proof') &&
        !c.is('draft', 'enough')),
    orders: [
      ...SHUT_OFFS,
      order('windows', 'Open windows.'),
      order('co', 'Read CO in the room.', { fact: 'co' }),
      order('look', 'Look at vent, chimney, air openings.', { words: 'what' }),
    ],
    meanwhile: 'CO, cold looks.',
    allows: ['look'],
    evidence: [
      words('mended', 'Mended: what'),
      tick('spill', 'No spill at five minutes, all fans on, doors shut'),
      good('co'),
    ],
    endedBy: T,
  },
  {
    id: 'bad-flame',
    title: 'A bad flame',
    grade: 'hold',
    families: G,
    looksAt: ['flame', 'co-air-free'],
    when: (c) => c.is('flame', 'lifts', 'yellow-soot', 'fresh-soot') || (c.number('co-air-free') ?? 0) > 400,
    orders: [
      order('down', 'Shut the burner down.'),
      order('screw', 'Turn no screw without a gauge.'),
      order('look', 'Look at fuel, orifice, air, vent.', { words: 'what' }),
    ],
    meanwhile: 'Gauge, flue readings, runs of two minutes at most.',
    allows: ['gauge', 'look'],
    evidence: [
      tick('blue', 'Blue, no soot'),
      { id: 'co-air-free', ask: 'Air-free CO (ppm; others 400)', is: { unit: 'ppm', most: 100 } },
    ],
    endedBy: T,
  },
  {
    id: 'gas-pass',
    title: 'Gas flows past the valve with the call off',
    grade: 'off',
    families: G,
    looksAt: ['passes'],
    when: (c) => c.is('passes', 'yes'),
    orders: [SHUT_GAS, POWER_OFF, ...TAG],
    meanwhile: 'Gauge.',
    allows: ['gauge'],
    evidence: [
      tick('replaced', 'Valve replaced'),
      { id: 'let-by', ask: 'Let-by, call off, after 2 min (in w.c.)', is: { unit: 'in w.c.', most: 0 } },
    ],
    endedBy: T,
  },
  {
    id: 'gas-wrong',
    title: 'Wrong gas pressure, fuel or orifice',
    grade: 'off',
    families: G,
    looksAt: ['inlet', 'fuel-fit'],
    when: (c) => (c.number('inlet') ?? 0) > 14 || c.is('fuel-fit', 'over-plate', 'other-fuel', 'drilled'),
    orders: [...SHUT_OFFS, order('compare', 'Compare plate, orifice, regulator.', { words: 'what' }), ...TAG],
    meanwhile: 'Gauge, looks.',
    allows: ['gauge', 'look'],
    evidence: [tick('parts', 'Right parts'), words('pressures', 'Pressures in limits: which')],
    endedBy: T,
  },
  {
    id: 'vapour',
    title: 'Petrol, paint or solvent near the burner',
    grade: 'off',
    families: G,
    looksAt: ['vapour'],
    when: (c) => c.is('vapour', 'yes'),
    orders: [order('light', 'Light nothing.'), SHUT_GAS, order('carry', 'Carry it out and air the room.')],
    meanwhile: 'Nothing.',
    allows: [],
    evidence: [tick('gone', 'Gone'), { id: 'aired', ask: 'Aired for 30 min', is: { minutes: 30 } }],
    endedBy: T,
  },
  {
    id: 'dry-tank',
    title: 'Heated without water in the tank',
    grade: 'off',
    families: [...MW, ...SW],
    looksAt: ['tank', 'element', 'gas', 'power'],
    when: (c) => c.is('tank', 'drained', 'air') && (c.is('element', 'on') || !c.dead),
    orders: [
      { ...order('element', 'Switch the element off.'), sets: { power: false } },
      SHUT_GAS,
      order('cool', 'If hot, let it cool: its temperature?', { fact: 'temp' }),
      order('fill', 'Fill it: tap without air?', { fact: 'tank' }),
    ],
    meanwhile: 'Dead ohms.',
    allows: ['dead'],
    evidence: [
      { id: 'full', ask: 'Hot tap runs without air', is: { need: 'full' } },
      tick('element', 'Element in limits, OL to its sheath (if there is one)'),
    ],
    endedBy: T,
  },
  {
    id: 'refrigerant',
    title: 'The refrigerant side',
    grade: 'hold',
    families: HP,
    looksAt: ['refrigerant', 'reset'],
    when: (c) =>
      c.is('refrigerant', 'oil', 'hiss', 'ice', 'low-open') ||
      c.resets.filter(({ kind }) => kind === 'refrigerant-high').length >= 2,
    orders: [
      { ...order('breaker', 'Switch off at the breaker.'), sets: { power: false } },
      order('open', 'Open nothing that holds refrigerant.'),
      order('ice', 'Let ice melt by itself.'),
      order('call', 'Call the licensed person.', { words: 'name' }),
    ],
    meanwhile: '24 V chain, water side.',
    allows: ['volts', 'look'],
    evidence: [words('found', 'What was found and mended; ice only: clear, air 10 °C and more')],
    endedBy: (c) => (c.is('refrigerant', 'ice') ? T : { role: 'technician', grant: 'refrigerant' }),
  },
  {
    id: 'reset-again',
    title: 'A reset again without a cause',
    grade: 'hold',
    looksAt: [],
    when: () => false,
    orders: [
      order('leave', 'Leave it tripped.'),
      { ...order('bypass', 'Take every bypass off.'), sets: { bypasses: 'off' } },
      order('look', 'Look for the cause: each of the list.', { words: 'each' }),
    ],
    meanwhile: 'Those looks, dead tests, what it senses.',
    allows: ['look', 'dead', 'gauge'],
    evidence: [words('cause', 'Cause found and mended: what')],
    endedBy: (c) => (mostResets(c) >= 3 ? L : T),
  },
  {
    id: 'tries',
    title: 'Too many tries without a flame',
    grade: 'hold',
    families: G,
    looksAt: ['try'],
    when: (c) => c.tries.length > TRIES_IN_A_ROW || c.triesInCall >= 9,
    orders: [
      order('call', 'End the call for heat.'),
      SHUT_GAS,
      order('wait', 'Wait five minutes.'),
      order('sniff', 'Smell at the floor.', { fact: 'smell' }),
    ],
    meanwhile: 'Gauge, dead tests, spark with gas off.',
    allows: ['gauge', 'dead', 'look'],
    evidence: [words('cause', 'Cause of no light found: what'), tick('sniffed', 'Sniffed: nothing')],
    endedBy: T,
  },
  {
    id: 'bypass-over',
    title: 'A bypass that must come off',
    grade: (c) => (c.bypasses.some((b) => (overdue(b, c) ?? 'over') !== 'over') ? 'off' : 'hold'),
    looksAt: [],
    when: () => false,
    orders: [
      { ...order('off', 'Take it off now.'), sets: { bypasses: 'off' } },
      order('down', 'Shut the burner down.'),
    ],
    meanwhile: 'What it senses.',
    allows: ['look', 'gauge'],
    evidence: [words('why', 'Why it was on, and that it is off')],
    endedBy: L,
  },
];

const BY_ID = new Map(STOPS.map((stop) => [stop.id, stop]));
export const stopWith = (id: string): Stop | undefined => BY_ID.get(id);

const inside = (value: number | undefined, from: number, below: number): boolean =>
  value !== undefined && value >= from && value < below;

function lacksWater(c: Circumstances): boolean {
  if (c.is('glass', 'empty', 'cannot-tell')) return true;
  if ((c.number('water-pressure') ?? 1) <= 0 || c.is('boiler-noise', 'knocks', 'steams')) return true;
  return c.bypasses.some(({ kind }) => kind === 'water-flow') && isPool(c.family) && !c.is('pump', 'yes');
}

const isPool = (family: Family | undefined): boolean =>
  family === undefined || PH.includes(family) || HP.includes(family);

function mostResets(c: Circumstances): number {
  const count = new Map<string, number>();
  for (const { safety } of c.resets) count.set(safety, (count.get(safety) ?? 0) + 1);
  return Math.max(0, ...count.values());
}

/** What an order asks for on an appliance of this family. */
export const ordersFor = (stop: Stop, family: Family | undefined): readonly Order[] =>
  stop.orders.filter(
    ({ families, sets }) =>
      (families === undefined || family === undefined || families.includes(family)) &&
      !(sets?.gas === false && !hasGas(family)) &&
      !(sets?.power === false && !hasPower(family)),
  );

export const evidenceFor = (stop: Stop, family: Family | undefined): readonly Evidence[] =>
  stop.evidence.filter(({ families }) => families === undefined || family === undefined || families.includes(family));
