import { ENGINE_VERSION } from '@zetalysis/core/diagnosis';
import { type Build, PLAIN, withVariant } from '@zetalysis/core/profile';
import { type Dimension, parseReading, type Reading } from '@zetalysis/core/units';
import { buildEntry, type CallEvent, type EventBody } from '@zetalysis/core/visit';
import type { NewMachine, Wires } from '@zetalysis/contract';
import { v7 } from 'uuid';
import { Call, LoggedEvent } from '../features/calls/model';
import { eventRow } from '../features/calls/repository';
import { Machine } from '../features/machines/model';
import type { Profiles } from '../features/profiles/service';
import { Person } from '../features/session/model';
import { hashPassword } from '../features/session/password';

export const DEMO_PASSWORD = 'cold-morning';

const PEOPLE = [
  { name: 'rosa', fullName: 'Rosa Tindall', role: 'lead' },
  { name: 'imre', fullName: 'Imre Castellan', role: 'technician' },
  { name: 'bea', fullName: 'Bea Oduya', role: 'apprentice' },
  { name: 'office', fullName: 'Office', role: 'admin' },
] as const;

type DemoMachine = Omit<NewMachine, 'build'> & { readonly build: Build; readonly wires?: Wires };

const MACHINES: readonly DemoMachine[] = [
  {
    label: 'Furnace, Mill Lane 14',
    site: 'Hollis family, 14 Mill Lane, Fernwick',
    make: 'Harrowgate',
    modelName: 'HG 80-C',
    serial: 'HG4471203',
    profile: 'furnace-condensing',
    build: PLAIN,
  },
  {
    label: 'Furnace, chapel hall',
    site: 'Chapel hall, Beck Street, Fernwick',
    make: 'Harrowgate',
    modelName: 'HG 100-C',
    serial: 'HG5102988',
    profile: 'furnace-condensing',
    build: withVariant('nitride'),
  },
  {
    label: 'Furnace, Quarry Road 3',
    site: 'Penhallow, 3 Quarry Road, Dunmere',
    make: 'Harrowgate',
    modelName: 'HG 60-C',
    serial: 'HG3980017',
    profile: 'furnace-condensing',
    build: PLAIN,
  },
  {
    label: 'Steam boiler, Old Bakery',
    site: 'Old Bakery flats, Canal Street, Dunmere',
    make: 'Ostrander',
    modelName: 'ST-120',
    serial: 'OS77120',
    profile: 'steam-intermittent-pilot',
    build: PLAIN,
  },
  {
    label: 'Furnace of the mobile library',
    site: 'Mobile library, council yard, Dunmere',
    make: 'Pathfare',
    modelName: 'PF 16',
    serial: 'PF160342',
    profile: 'mobile-furnace',
    build: PLAIN,
  },
  {
    label: 'Furnace, Weir Cottage',
    site: 'Weir Cottage, Lock Lane, Fernwick',
    make: 'Old Barrow',
    modelName: 'OB 75',
    serial: 'OB75-1188',
    profile: 'furnace-standing-pilot',
    build: PLAIN,
  },
  {
    label: 'Dryer, Tern Street launderette',
    site: 'Launderette, 8 Tern Street, Dunmere',
    make: 'Linden Vale',
    modelName: 'LV 22 G',
    serial: 'LV22-7745',
    profile: 'dryer-burner',
    build: PLAIN,
  },
  {
    label: 'Furnace, Ferry House',
    site: 'Ferry House, Quay Road, Dunmere',
    make: 'Merrivale',
    modelName: 'MV 90',
    serial: 'MV90-20331',
    profile: 'furnace-valve-control',
    build: PLAIN,
    wires: {
      R: { terminal: 'X1', colour: 'red' },
      VR: { terminal: 'plug 1', colour: 'yellow' },
      TH: { terminal: 'plug 3', colour: 'orange' },
      BV: { terminal: '', colour: 'orange' },
      FD: { terminal: 'F', colour: 'brown' },
    },
  },
  {
    label: 'Steam boiler, Corn Exchange',
    site: 'Corn Exchange, Market Place, Fernwick',
    make: 'Cobden',
    modelName: 'CB 40',
    serial: 'CB40-118',
    profile: 'steam-standing-pilot',
    build: PLAIN,
  },
  {
    label: 'Boiler, Almshouses',
    site: 'Almshouses, Priory Lane, Fernwick',
    make: 'Brackenfield',
    modelName: 'BF 32 W',
    serial: 'BFW-32091',
    profile: 'hydronic-boiler',
    build: PLAIN,
  },
  {
    label: 'Combi boiler, Tannery Row',
    site: 'Okafor, 5 Tannery Row, Fernwick',
    make: 'Brackenfield',
    modelName: 'BF Duo 28',
    serial: 'BFD-70415',
    profile: 'combi-condensing',
    build: PLAIN,
  },
  {
    label: 'Water heater of the ferry',
    site: 'Mobile library, council yard, Dunmere',
    make: 'Pathfare',
    modelName: 'PF W6',
    serial: 'PFW6-0188',
    profile: 'mobile-water-heater',
    build: PLAIN,
  },
  {
    label: 'Water heater, Lock Cottage',
    site: 'Lock Cottage, Lock Lane, Dunmere',
    make: 'Tollgate',
    modelName: 'TG 40',
    serial: 'TG40-5521',
    profile: 'storage-water-heater',
    build: PLAIN,
  },
  {
    label: 'Pool heater, school pool',
    site: 'School pool, Beck Street, Fernwick',
    make: 'Saltmere',
    modelName: 'SM 120 G',
    serial: 'SMG-1204',
    profile: 'pool-heater',
    build: PLAIN,
  },
  {
    label: 'Pool heat pump, Hollin Bank',
    site: 'Lindqvist, Hollin Bank, Dunmere',
    make: 'Saltmere',
    modelName: 'SM 12 H',
    serial: 'SMH-0931',
    profile: 'pool-heat-pump',
    build: PLAIN,
  },
];

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

interface DemoCall {
  readonly machine: number;
  readonly person: string;
  readonly daysAgo: number;
  readonly complaint: string;
  readonly events: readonly EventBody[];
}

const CALLS: readonly DemoCall[] = [
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
      { type: 'code', code: '6' },
      volts('IP', 'N', 'glow', '121'),
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
      { type: 'closed', words: 'Customer told to change the filter before Christmas.' },
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
      { type: 'closed', words: '' },
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
    machine: 4,
    person: 'imre',
    daysAgo: 0,
    complaint: 'Furnace runs a few seconds and stops. Lights and stove are fine.',
    events: [
      seen('call', 'yes'),
      seen('blower', 'yes'),
      seen('purge', 'no'),
      { type: 'outcome', outcome: 'locks-out' },
      { type: 'code', code: '1' },
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
      { type: 'code', code: 'HL' },
    ],
  },
];

/** Loads the invented demo shop into an empty database; does nothing when there are people already. */
export async function loadDemo(profiles: Profiles): Promise<void> {
  if ((await Person.count()) > 0) return;
  const passwordHash = await hashPassword(DEMO_PASSWORD);
  const people = await Promise.all(PEOPLE.map((p) => Person.create({ ...p, id: v7(), units: 'us', passwordHash })));
  const machines = [];
  for (const machine of MACHINES) machines.push(await Machine.create({ ...machine, id: v7() }));
  for (const demo of CALLS) {
    const machine = machines[demo.machine]!;
    const person = people.find((p) => p.name === demo.person)!;
    const profile = await profiles.get(machine.profile, 400);
    const callId = v7();
    const start = Date.now() - demo.daysAgo * 86_400_000 - 50 * 60_000;
    const pins = {
      profile: machine.profile,
      profileVersion: profile.version,
      build: buildEntry(machine.build),
      engineVersion: ENGINE_VERSION,
      settings: { units: 'us', settingsVersion: '1' } as const,
    };
    await Call.create({
      id: callId,
      machineId: machine.id,
      complaint: demo.complaint,
      profile: pins.profile,
      profileVersion: pins.profileVersion,
      build: machine.build,
      engineVersion: pins.engineVersion,
      settings: pins.settings,
      openedBy: person.id,
      createdAt: new Date(start),
    });
    const opened: EventBody = { type: 'opened', machine: machine.id, complaint: demo.complaint, ...pins };
    const log: CallEvent[] = [opened, ...demo.events].map((body, i) => ({
      id: v7(),
      call: callId,
      seq: i + 1,
      at: new Date(start + i * 90_000).toISOString(),
      device: 'demo',
      person: demo.person,
      body,
    }));
    await LoggedEvent.bulkCreate(log.map(eventRow));
  }
}
