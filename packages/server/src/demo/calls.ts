import { type Family, proofListsFor, rangeOf } from '@zetalysis/core/rules';
import { type Dimension, parseReading, type Reading } from '@zetalysis/core/units';
import type { EventBody } from '@zetalysis/core/visit';

const typed = (text: string, dimension: Dimension): { reading: Reading; typed: string } => {
  const parsed = parseReading(text, dimension);
  if (!parsed.ok) throw new Error(parsed.message);
  return { reading: parsed.value, typed: text };
};
const seen = (phase: string, answer: 'yes' | 'no'): EventBody => ({ type: 'seen', phase, answer });
const volts = (red: string, black: string, phase: string, text: string): EventBody => ({
  type: 'volts',
  red,
  black,
  phase,
  ...typed(text, 'voltage'),
});

const setup = (change: Partial<Extract<EventBody, { type: 'setup' }>>): EventBody => ({
  type: 'setup',
  power: true,
  gas: true,
  call: true,
  unplugged: [],
  bypassed: [],
  ...change,
});
const need = (id: string, of?: string): EventBody => ({ type: 'need', need: id, answer: 'met', ...(of && { of }) });

/** Every line of the proof of a repair, each with a value within its limit. */
const proved = (family: Family, touched: readonly string[]): EventBody[] => [
  { type: 'fact', fact: 'showed', value: 'steady' },
  ...proofListsFor(family, touched)
    .flatMap(({ lines }) => lines)
    .filter(({ by }) => by === undefined)
    .map((line): EventBody => {
      const range = line.number && rangeOf(line, 'natural');
      const { least = range?.most ?? 0, most = least } = range ?? {};
      return {
        type: 'proof-line',
        line: line.id,
        answer: 'done',
        ...(range && { value: line.number?.runs ? least : (least + most) / 2 }),
        ...(line.number?.fuels && { fuel: 'natural' }),
      };
    }),
];

/** A call of the invented shop, at a machine by its place in the list. */
interface DemoCall {
  readonly machine: number;
  readonly person: string;
  readonly daysAgo: number;
  readonly complaint: string;
  readonly events: readonly EventBody[];
}

/** What a yearly service reads, by days ago: flame signal, inlet, draft; and what was mended with it. */
const YEARLY = [
  [2950, '3.9uA', '6.9inwc', '0.86inwc'],
  [2590, '3.8uA', '6.8inwc', '0.88inwc'],
  [2220, '3.7uA', '7.0inwc', '0.85inwc'],
  [1860, '3.4uA', '6.9inwc', '0.87inwc'],
  [1500, '3.0uA', '6.7inwc', '0.86inwc'],
  [1130, '2.7uA', '6.9inwc', '0.88inwc'],
  [770, '2.3uA', '6.8inwc', '0.85inwc', 'rod cleaned'],
  [425, '2.1uA', '6.9inwc', '0.86inwc'],
  [38, '1.7uA', '6.8inwc', '0.87inwc'],
] as const;

const gauge = (id: string, text: string, dimension: Dimension): EventBody => ({
  type: 'gauge',
  gauge: id,
  ...typed(text, dimension),
});

const NOTHING_FOUND: readonly EventBody[] = [
  {
    type: 'closed',
    words: '',
    ending: 'nothing-found',
    given: { run: 'two full heats', complaint: 'a yearly service: nothing was wrong' },
  },
];

const CLEANED: readonly EventBody[] = [
  {
    type: 'break-recorded',
    part: 'flame-rod',
    title: 'flame rod',
    failure: 'coated: a thinner signal',
    cause: 'silica from the laundry',
    standing: 'suspected',
    action: 'Rod cleaned.',
    advice: { suspects: [], standing: 'suspected' },
  },
  { type: 'repaired', part: 'flame-rod', action: 'cleaned' },
  ...proved('furnace', ['flame-sensing']),
  { type: 'closed', words: '', ending: 'proved', given: {} },
];

/** Services of one furnace, whose flame signal slides. */
const SERVICES = YEARLY.map(([daysAgo, signal, inlet, draft, cleaned]): DemoCall => ({
  machine: 0,
  person: 'imre',
  daysAgo,
  complaint: 'Yearly service.',
  events: [
    gauge('draft', draft, 'pressure'),
    gauge('flame-signal', signal, 'current'),
    gauge('gas-inlet', inlet, 'pressure'),
    seen('call', 'yes'),
    seen('heating', 'yes'),
    { type: 'fact', fact: 'smell', value: 'none' },
    { type: 'fact', fact: 'co', value: 2 },
    ...(cleaned === undefined ? NOTHING_FOUND : CLEANED),
  ],
}));

export const CALLS: readonly DemoCall[] = [
  ...SERVICES,
  {
    machine: 2,
    person: 'imre',
    daysAgo: 21,
    complaint: 'No heat since last night. A click, then nothing.',
    events: [
      seen('call', 'yes'),
      seen('inducer', 'yes'),
      seen('glow', 'no'),
      seen('valve', 'yes'),
      seen('flame', 'no'),
      { type: 'outcome', outcome: 'locks-out' },
      { type: 'code', code: 'red-quick' },
      volts('IP', 'N', 'glow', '121'),
      setup({ power: false }),
      need('meter'),
      need('isolated', 'igniter'),
      { type: 'ohms', part: 'igniter', branch: '', ...typed('OL', 'resistance') },
      {
        type: 'break-recorded',
        part: 'igniter',
        failure: 'cracked: open',
        cause: 'age, eleven seasons',
        standing: 'proved',
        action: 'Igniter replaced, 62 Ω measured before fitting. Three cycles, flame signal 3.1 µA.',
        advice: {
          suspects: [
            { repair: 'igniter:replace', words: 'The igniter (silicon carbide) is cracked: open', probability: 0.998 },
          ],
          standing: 'proved',
        },
      },
      { type: 'repaired', part: 'igniter', action: 'Igniter replaced', measured: true },
      setup({}),
      ...proved('furnace', ['igniter']),
      { type: 'closed', words: 'Customer told to change the filter before Christmas.', ending: 'proved', given: {} },
    ],
  },
  {
    machine: 1,
    person: 'rosa',
    daysAgo: 6,
    complaint: 'Heats a few minutes, then blows cold, again and again.',
    events: [
      seen('call', 'yes'),
      seen('inducer', 'yes'),
      seen('glow', 'yes'),
      seen('valve', 'yes'),
      seen('flame', 'yes'),
      seen('steady', 'yes'),
      seen('heating', 'yes'),
      seen('cut-out', 'yes'),
      { type: 'outcome', outcome: 'cycles' },
      volts('R', 'LI', 'cut-out', '25.9'),
      volts('R', 'LI', 'heating', '3mV'),
      { type: 'look', look: 'filter', answer: 'blocked' },
      {
        type: 'break-recorded',
        part: 'limit',
        failure: 'opened, as it should',
        cause: 'air filter blocked',
        standing: 'proved',
        action: 'Filter replaced, return grille cleared of stacked chairs. Limit cycled once on test.',
        advice: {
          suspects: [
            {
              repair: 'filter:replace',
              words: 'The air filter and air flow is blocked: too little air over the exchanger',
              probability: 0.997,
            },
          ],
          standing: 'proved',
        },
      },
      { type: 'repaired', part: 'filter', action: 'Filter replaced' },
      ...proved('furnace', ['air-side', 'furnace-limit']),
      { type: 'closed', words: '', ending: 'proved', given: {} },
    ],
  },
  {
    machine: 0,
    person: 'imre',
    daysAgo: 0,
    complaint: 'No heat since five this morning. Starts, clicks, everything stops, starts again.',
    events: [
      seen('call', 'yes'),
      seen('inducer', 'yes'),
      seen('glow', 'yes'),
      seen('valve', 'no'),
      seen('flame', 'no'),
      { type: 'outcome', outcome: 'starts-over' },
      { type: 'code', code: 'none' },
      volts('GV', 'C', 'valve', '15-18'),
    ],
  },
  {
    machine: 3,
    person: 'rosa',
    daysAgo: 0,
    complaint: 'Boiler dead, hall thermostat is blank.',
    events: [],
  },
  {
    machine: 8,
    person: 'bea',
    daysAgo: 0,
    complaint: 'Corn Exchange is cold. The boiler room smells of nothing, the damper does not move.',
    events: [
      { type: 'shown', on: true },
      seen('pilot', 'yes'),
      seen('call', 'yes'),
      seen('damper', 'no'),
      { type: 'look', look: 'gauge-glass', answer: 'half' },
      { type: 'temporary', kind: 'panel', title: 'Front panel off' },
      volts('LW', 'C', 'call', '2'),
    ],
  },
  {
    machine: 6,
    person: 'bea',
    daysAgo: 1,
    complaint: 'Dryer lit once, then never again until it is cool.',
    events: [
      seen('glow', 'yes'),
      setup({ power: false }),
      {
        type: 'break-recorded',
        part: 'second-coil',
        title: 'second valve coil',
        failure: 'opens when hot',
        cause: 'age',
        standing: 'suspected',
        action: 'New coil set ordered.',
        advice: { suspects: [], standing: 'suspected' },
      },
    ],
  },
  {
    machine: 4,
    person: 'imre',
    daysAgo: 0,
    complaint: 'Furnace runs a few seconds and stops. Lights and stove are fine.',
    events: [
      seen('call', 'yes'),
      seen('blower', 'yes'),
      seen('purge', 'no'),
      { type: 'outcome', outcome: 'locks-out' },
      { type: 'code', code: 'green-slow' },
      volts('B', 'CH', 'blower', '10.1'),
    ],
  },
  {
    machine: 13,
    person: 'imre',
    daysAgo: 0,
    complaint: 'Pool does not get warm, the heater starts and stops all day and the gas bill is high.',
    events: [
      { type: 'told', complaint: 'short' },
      seen('flame', 'yes'),
      seen('steady', 'yes'),
      seen('long', 'no'),
      seen('short-cycle', 'yes'),
      { type: 'code', code: 'heat' },
      { type: 'timer', title: 'The water cools', seconds: 7200 },
    ],
  },
  {
    machine: 10,
    person: 'imre',
    daysAgo: 3,
    complaint: 'Hot water comes and goes, then an error after a minute.',
    events: [
      seen('call', 'yes'),
      seen('pump', 'yes'),
      seen('fan', 'no'),
      { type: 'outcome', outcome: 'locks-out' },
      setup({ power: false, gas: false }),
      {
        type: 'closed',
        words: '',
        ending: 'waiting',
        given: { for: 'a fan', whom: 'the parts counter', when: 'Tuesday' },
      },
    ],
  },
  {
    machine: 0,
    person: 'rosa',
    daysAgo: 402,
    complaint: 'Inducer hums for minutes, then nothing.',
    events: [
      seen('call', 'yes'),
      seen('inducer', 'yes'),
      seen('glow', 'no'),
      { type: 'look', look: 'hose', answer: 'bad' },
      {
        type: 'break-recorded',
        part: 'pressure-hose',
        title: 'pressure hose',
        failure: 'cracked or off',
        cause: 'hardened by heat',
        standing: 'proved',
        action: 'Hose replaced, draft 0.88 in w.c.',
        advice: { suspects: [], standing: 'proved' },
      },
      { type: 'repaired', part: 'pressure-hose', action: 'Hose replaced' },
      ...proved('furnace', ['air-proof']),
      { type: 'closed', words: '', ending: 'proved', given: {} },
    ],
  },
  {
    machine: 0,
    person: 'imre',
    daysAgo: 1090,
    complaint: 'Smells hot, stopped twice in the night.',
    events: [
      seen('call', 'yes'),
      seen('heating', 'yes'),
      { type: 'fact', fact: 'smell', value: 'none' },
      { type: 'fact', fact: 'co', value: 3 },
      {
        type: 'closed',
        words: 'Dust on the exchanger from building work.',
        ending: 'nothing-found',
        given: { run: 'twenty minutes, two cycles', complaint: 'dust burnt off' },
      },
    ],
  },
];
