import { type Grant, GRANTS, type Role } from '@zetalysis/core/rules';

/** The invented world of the season: nobody and nothing in it is real. */

const ALL_BUT_SHUT = ['line', 'gas', 'bypass', 'combustion', 'steam'] as const;

/** The people of the shop; the first four are the demo's own. */
export const PEOPLE: readonly {
  readonly name: string;
  readonly fullName: string;
  readonly role: Role;
  readonly grants: readonly Grant[];
  /** How much of the work is theirs; nought for who does not go out. */
  readonly share: number;
}[] = [
  { name: 'imre', fullName: 'Imre Castellan', role: 'technician', grants: ALL_BUT_SHUT, share: 4 },
  { name: 'rosa', fullName: 'Rosa Tindall', role: 'lead', grants: GRANTS, share: 1 },
  { name: 'bea', fullName: 'Bea Oduya', role: 'apprentice', grants: [], share: 0 },
  { name: 'office', fullName: 'Office', role: 'admin', grants: [], share: 0 },
  {
    name: 'kofi',
    fullName: 'Kofi Brandt',
    role: 'technician',
    grants: ['line', 'gas', 'bypass', 'combustion'],
    share: 3,
  },
  { name: 'ines', fullName: 'Ines Farrow', role: 'technician', grants: ['line', 'gas', 'bypass', 'steam'], share: 3 },
  { name: 'tomas', fullName: 'Tomas Quill', role: 'technician', grants: ['line', 'gas'], share: 2 },
  { name: 'wren', fullName: 'Wren Halloran', role: 'apprentice', grants: [], share: 1 },
];

export const SURNAMES = [
  ...['Abernethy', 'Bassi', 'Calloway', 'Dunmore', 'Eriksen', 'Fenwick', 'Garrow', 'Hussain', 'Ilves', 'Jansen'],
  ...['Kestrel', 'Lomax', 'Mbeki-Shaw', 'Norrie', 'Oakes', 'Pellow', 'Quist', 'Rahmani', 'Sorley', 'Tavener'],
  ...['Ubani', 'Varga', 'Whitlow', 'Yarrow', 'Zeller', 'Ashdown', 'Brook', 'Carrow', 'Dell', 'Easton'],
] as const;

export const STREETS = [
  ...['Mill Lane', 'Quarry Road', 'Weir Close', 'Canal Street', 'Beck Street', 'Priory Lane', 'Lock Lane'],
  ...['Tannery Row', 'Quay Road', 'Market Place', 'Hollin Bank', 'Chapel Hill', 'Orchard Way', 'Kiln Street'],
] as const;

export const TOWNS = ['Fernwick', 'Dunmere', 'Hollin'] as const;

/** Places that are no homes, with what heats them. */
export const PLACES = [
  'Bowling club',
  'Parish hall',
  'Primary school',
  'Smithy café',
  'Boat yard',
  'Dental rooms',
  'Reading room',
  'Cooperage',
  'Village shop',
  'Scout hut',
] as const;

/** Of each family: what it is called, who makes it, how many of a hundred it is, and what people complain of. */
export interface FamilyInTown {
  readonly called: string;
  readonly makes: readonly (readonly [make: string, model: string])[];
  readonly share: number;
  readonly fuel: string;
  readonly complaints: readonly string[];
}

const NO_HEAT = [
  'No heat since last night.',
  'Cold this morning, it tries and stops.',
  'It starts and gives up again.',
];

export const FAMILIES_IN_TOWN: Readonly<Record<string, FamilyInTown>> = {
  'furnace-condensing': {
    called: 'Furnace',
    makes: [
      ['Harrowgate', 'HG 60-C'],
      ['Harrowgate', 'HG 80-C'],
      ['Merrivale', 'MC 70'],
    ],
    share: 24,
    fuel: 'natural gas, not converted',
    complaints: [...NO_HEAT, 'Blows cold after a few minutes.', 'A light flashes behind the panel.'],
  },
  'furnace-valve-control': {
    called: 'Furnace',
    makes: [
      ['Merrivale', 'MV 90'],
      ['Old Barrow', 'OB 90 V'],
    ],
    share: 10,
    fuel: 'natural gas, not converted',
    complaints: NO_HEAT,
  },
  'furnace-standing-pilot': {
    called: 'Furnace',
    makes: [
      ['Old Barrow', 'OB 75'],
      ['Old Barrow', 'OB 100'],
    ],
    share: 8,
    fuel: 'natural gas, not converted',
    complaints: [...NO_HEAT, 'The pilot goes out.', 'The pilot burns, nothing else does.'],
  },
  'hydronic-boiler': {
    called: 'Boiler',
    makes: [
      ['Brackenfield', 'BF 24 W'],
      ['Brackenfield', 'BF 32 W'],
    ],
    share: 12,
    fuel: 'natural gas, not converted',
    complaints: ['Radiators are cold.', 'Upstairs is cold, downstairs is warm.', ...NO_HEAT],
  },
  'combi-condensing': {
    called: 'Combi boiler',
    makes: [
      ['Brackenfield', 'BF Duo 28'],
      ['Tollgate', 'TG Duo 24'],
    ],
    share: 12,
    fuel: 'natural gas, not converted',
    complaints: ['No hot water, no heat, an error shows.', 'Hot water comes and goes.', ...NO_HEAT],
  },
  'steam-intermittent-pilot': {
    called: 'Steam boiler',
    makes: [['Ostrander', 'ST-90']],
    share: 4,
    fuel: 'natural gas, not converted',
    complaints: ['No steam.', 'Radiators stay cold, the boiler clicks.'],
  },
  'steam-standing-pilot': {
    called: 'Steam boiler',
    makes: [['Cobden', 'CB 40']],
    share: 4,
    fuel: 'natural gas, not converted',
    complaints: ['No steam.', 'The boiler stops before it is warm.'],
  },
  'storage-water-heater': {
    called: 'Water heater',
    makes: [
      ['Tollgate', 'TG 40'],
      ['Tollgate', 'TG 50'],
    ],
    share: 12,
    fuel: 'natural gas, not converted',
    complaints: ['No hot water.', 'Luke-warm since Sunday.', 'The pilot will not stay.'],
  },
  'mobile-furnace': {
    called: 'Furnace of the caravan',
    makes: [['Pathfare', 'PF 16']],
    share: 4,
    fuel: 'propane',
    complaints: ['Fan runs, no fire.', 'Starts, stops after seconds.'],
  },
  'mobile-water-heater': {
    called: 'Water heater of the caravan',
    makes: [['Pathfare', 'PF W6']],
    share: 3,
    fuel: 'propane',
    complaints: ['No hot water on gas.', 'Clicks three times, then a light.'],
  },
  'dryer-burner': {
    called: 'Dryer',
    makes: [['Linden Vale', 'LV 22 G']],
    share: 4,
    fuel: 'natural gas, not converted',
    complaints: ['Turns, does not dry.', 'Warm at first, then cold.'],
  },
  'pool-heater': {
    called: 'Pool heater',
    makes: [['Saltmere', 'SM 120 G']],
    share: 2,
    fuel: 'natural gas, not converted',
    complaints: ['The pool stays cold.', 'Starts and stops all day.'],
  },
  'pool-heat-pump': {
    called: 'Pool heat pump',
    makes: [['Saltmere', 'SM 12 H']],
    share: 1,
    fuel: 'none',
    complaints: ['The pool stays cold.', 'It hums and trips the breaker.'],
  },
};

/** Where parts come from. */
export const COUNTERS = ['the parts counter', 'the maker, by post', 'the other van'] as const;
/** What keeps somebody from doing it at once, at the telephone. */
export const ACCESS = ['Key at the neighbour’s.', 'Dog in the yard.', 'After four only.', 'Ring twice.', ''] as const;
export const STANDS = [
  'utility room',
  'cellar',
  'attic, a ladder is needed',
  'cupboard in the hall',
  'garage',
] as const;
