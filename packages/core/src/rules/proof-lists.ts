import { appliesTo, C, D, type Family, F, H, HP, MF, MW, PH, S, SW } from './family';

/** One line of the proof of a repair. */
export interface ProofLine {
  readonly id: string;
  /** What is to be done. */
  readonly do: string;
  /** What has to come out. */
  readonly limit: string;
  /** The number that has to be typed, and between what. */
  readonly number?: Range & {
    readonly unit: string;
    /** Limits by the fuel on the plate, where they differ. */
    readonly fuels?: Readonly<Record<'natural' | 'propane', Range>>;
    /** The plate may say other limits, and then it counts. */
    readonly plate?: true;
    /** Minutes that it ran since the repair. */
    readonly runs?: true;
  };
  /** Only a lead may say that it does not apply (●). */
  readonly dot?: true;
  readonly families?: readonly Family[];
  /** Met by the state of the call: by it alone, or as far as it says how long one stays. */
  readonly by?: 'temporary-undone' | 'stay';
  /** So many starts, each from the call to its end, belong to it. */
  readonly starts?: number;
  /** The safety is made to act by it. */
  readonly acts?: true;
}

/** What a number may be; open where a side is not given. */
export interface Range {
  readonly least?: number;
  readonly most?: number;
}

/** Lines that belong together: what was touched, or what is always so. */
export interface ProofList {
  readonly id: string;
  readonly title: string;
  readonly lines: readonly ProofLine[];
}

const line = (id: string, what: string, limit: string, more: Partial<ProofLine> = {}): ProofLine => ({
  id,
  do: what,
  limit,
  ...more,
});
const dot = { dot: true } as const;
const acts = { dot: true, acts: true } as const;
const ran = (least: number): Partial<ProofLine> => ({ number: { unit: 'min', least, runs: true } });

/** The line that asks how the fault showed, and that one stays long enough. */
export const STAY = 'stay';
/** The line for the reading that condemned the part. */
export const CONDEMNING = 'condemning';

/** What runs in every family. */
const RUN: ProofList = {
  id: 'run',
  title: 'The run of this family',
  lines: [
    line('run-furnace', '3 cycles of 10 minutes', '30 minutes of running, rise within plate', {
      ...ran(30),
      starts: 3,
      families: [...F, ...MF],
    }),
    line('run-mobile', 'All other burners on', 'it goes on running', { families: MF }),
    line('run-steam', '1 cycle to cut-out and back, water steady; 2 starts', 'it runs', { starts: 2, families: S }),
    line('run-hydronic', '3 starts, aquastat off once', '12–15 psi cold', { starts: 3, families: H }),
    line('run-combi', '3 heating, 3 tap', '15–25 psi; CO2 by book', { starts: 6, families: C }),
    line('run-heater', '3 lights; one heat to thermostat off', 'it goes off by itself', {
      starts: 3,
      families: [...SW, ...MW],
    }),
    line('run-pool', '30 minutes, 2 restarts', '30 minutes of running', { ...ran(30), starts: 3, families: PH }),
    line('run-heat-pump', '2 starts, delay sat out, 20 minutes', '20 minutes of running', {
      ...ran(20),
      starts: 2,
      families: HP,
    }),
    line('run-dryer', '3 ignitions, 15 minutes hot', '15 minutes of running', { ...ran(15), starts: 3, families: D }),
    line(STAY, 'Stay with it', 'it does not come back', { by: 'stay' }),
  ],
};

/** What every proof has. */
const ALWAYS: ProofList = {
  id: 'always',
  title: 'Always',
  lines: [
    line(CONDEMNING, 'Condemning reading again', 'now good'),
    line('no-smell', 'Smell of gas', 'none', dot),
    line('room-co', 'CO in the room, all burners on', '≤ 9 ppm', { ...dot, number: { unit: 'ppm', most: 9 } }),
    line('temporary', 'Temporary things undone, no bypass on', 'nothing is left', { ...dot, by: 'temporary-undone' }),
    line('panels', 'Panels on, last start with them', 'it starts', dot),
    line('customer', 'Customer told what to watch', 'told'),
    line('next-due', 'Next due set', 'set'),
  ],
};

/** By what was touched. */
const TOUCHED: readonly ProofList[] = [
  {
    id: 'gas-joint',
    title: 'Gas joint',
    lines: [
      line('joint-soap', 'Soap, past the valve while firing', 'dry 60 s', dot),
      line('joint-drop', '8 in w.c. for 3 minutes (NFPA 1192 class)', 'no fall', {
        ...dot,
        families: [...MF, ...MW],
      }),
    ],
  },
  {
    id: 'air-in-pipe',
    title: 'Air in the pipe',
    lines: [
      line('purged', 'Burner’s own tries, at most 4, then 5 minutes; no union opened indoors', 'steady 2 minutes'),
    ],
  },
  {
    id: 'gas-control',
    title: 'Gas control, regulator, orifice',
    lines: [
      line('inlet', 'Inlet at rest and running, all on', 'plate, else natural gas 5–10.5, propane 10.5–13 in w.c.', {
        ...dot,
        number: {
          unit: 'in w.c.',
          fuels: { natural: { least: 5, most: 10.5 }, propane: { least: 10.5, most: 13 } },
          plate: true,
        },
      }),
      line('manifold', 'Manifold', 'plate, else natural gas 3.2–3.8, propane 9.5–10.5 in w.c.', {
        ...dot,
        number: {
          unit: 'in w.c.',
          fuels: { natural: { least: 3.2, most: 3.8 }, propane: { least: 9.5, most: 10.5 } },
          plate: true,
        },
      }),
      line('let-by', 'Let-by, call off', '0 for 2 minutes', { ...dot, number: { unit: 'in w.c.', most: 0 } }),
      line('flue', 'Flue after 10 minutes: air-free CO; O2 by plate', '≤ 100 ppm', {
        ...dot,
        number: { unit: 'ppm', most: 100 },
      }),
    ],
  },
  {
    id: 'igniter',
    title: 'Igniter, pilot',
    lines: [line('starts', '3 starts; gap 1/8 in', 'soft')],
  },
  {
    id: 'flame-sensing',
    title: 'Flame sensing',
    lines: [
      line('signal', 'Signal', '≥ 1 µA', { ...dot, number: { unit: 'µA', least: 1 } }),
      line(
        'sense-lifted',
        'Lift the sense lead while firing (sparking lead: shut the gas)',
        'valve shuts in time',
        acts,
      ),
    ],
  },
  {
    id: 'thermocouple',
    title: 'Thermocouple',
    lines: [
      line('open-mv', 'Open, pilot on', '≥ 20 mV', { ...dot, number: { unit: 'mV', least: 20 } }),
      line('loaded-mv', 'Loaded', '≥ 10 mV', { ...dot, number: { unit: 'mV', least: 10 } }),
      line('blown-out', 'Blow it out', 'shuts ≤ 180 s (60 s: EN 125)', { ...acts, number: { unit: 's', most: 180 } }),
    ],
  },
  {
    id: 'thermopile',
    title: 'Thermopile',
    lines: [
      line('pile-open', 'Open', '≥ 400 mV', { ...dot, number: { unit: 'mV', least: 400 } }),
      line('pile-loaded', 'Loaded', '≥ 200 mV', { ...dot, number: { unit: 'mV', least: 200 } }),
      line('pile-out', 'Blow it out', 'shuts ≤ 180 s (60 s: EN 125)', { ...acts, number: { unit: 's', most: 180 } }),
    ],
  },
  {
    id: 'furnace-limit',
    title: 'Furnace limit',
    lines: [
      line('limit-opens', 'Air shut off, watched', 'opens ≤ 5 minutes, plate ± 3 K', {
        ...acts,
        number: { unit: 'min', most: 5 },
      }),
    ],
  },
  {
    id: 'lifted',
    title: 'Roll-out, spill, one-shot, ECO, thermal switch',
    lines: [
      line(
        'lead-lifted',
        'Lift a lead while firing (line voltage: off first, then it must not light)',
        'fire out',
        acts,
      ),
    ],
  },
  {
    id: 'air-proof',
    title: 'Air proof, vent switch, sail',
    lines: [line('hose-pulled', 'Pull the hose, slow the blower', 'fire out; draft ≥ 1.1 × make', acts)],
  },
  {
    id: 'condensate',
    title: 'Condensate switch',
    lines: [line('water-through', 'Water through; lift a lead', 'drains; stops', { acts: true })],
  },
  {
    id: 'water-limit',
    title: 'Aquastat, water limit',
    lines: [line('heated-to', 'Heat to it, thermometer', '± 3 K', acts)],
  },
  {
    id: 'water-flow',
    title: 'Water, flow switch',
    lines: [line('pump-stopped', 'Stop the pump', 'fire out ≤ 5 s', { ...acts, number: { unit: 's', most: 5 } })],
  },
  {
    id: 'steam-limit',
    title: 'Steam limit',
    lines: [
      line('steam-to', 'Steam to it, pigtail clear', 'set ± 0.5, ≤ 3 psi', {
        ...acts,
        number: { unit: 'psi', most: 3 },
      }),
    ],
  },
  {
    id: 'low-water',
    title: 'Low-water cut-off, each',
    lines: [
      line(
        'drain-test',
        'Drain test while firing',
        'out before water leaves the glass; pump starts; reset pushed',
        acts,
      ),
      line(
        'evaporation',
        'Chamber opened or new: evaporation test too, attended',
        'out before water leaves the glass',
        dot,
      ),
      line(
        'other-low-water',
        'The other low-water control, where there is one: tested too before leaving',
        'out before water leaves the glass',
        { families: S },
      ),
    ],
  },
  { id: 'feeder', title: 'Feeder', lines: [line('lowered', 'Lower the water, cold', 'feeds, stops')] },
  { id: 'relief', title: 'Relief valve', lines: [line('lever', 'Lever', 'shuts dry', acts)] },
  { id: 'water-side', title: 'Water side', lines: [line('hot-30', 'Hot for 30 minutes', 'no drip', ran(30))] },
  {
    id: 'electrical-supply',
    title: 'Electrical supply',
    lines: [
      line('line-volts', 'Line, polarity', '110–126 V', { ...dot, number: { unit: 'V', least: 110, most: 126 } }),
      line('secondary', 'Secondary', '20–30 V', { ...dot, number: { unit: 'V', least: 20, most: 30 } }),
      line('amperes', 'Amperes', 'plate', dot),
      line('drop', 'Drop across contacts', '≤ 0.1 V', { ...dot, number: { unit: 'V', most: 0.1 } }),
    ],
  },
  { id: 'air-side', title: 'Air side', lines: [line('rise', 'Rise, filter, capacitor', 'plate; ± 6 %')] },
  {
    id: 'vent',
    title: 'Vent, seal',
    lines: [line('mirror', 'Mirror at 5 minutes, fans on', 'no spill', dot)],
  },
  {
    id: 'supply-12v',
    title: '12 V',
    lines: [
      line('board-12v', 'Board, blower on', '≥ 10.5 V', { number: { unit: 'V', least: 10.5 } }),
      line('ground-drop', 'Ground drop', '≤ 0.3 V', { number: { unit: 'V', most: 0.3 } }),
    ],
  },
];

const ALL: readonly ProofList[] = [RUN, ALWAYS, ...TOUCHED];
const BY_LINE = new Map(ALL.flatMap(({ lines }) => lines.map((l) => [l.id, l] as const)));
export const proofLineWith = (id: string): ProofLine | undefined => BY_LINE.get(id);
export const PROOF_LIST_IDS: readonly string[] = TOUCHED.map(({ id }) => id);

/** Whether only a lead may leave a line out. */
export const isDotted = (id: string): boolean => BY_LINE.get(id)?.dot === true;

/** Kinds of safeties by the list that proves them. */
const OF_SAFETY: Readonly<Record<string, string>> = {
  'roll-out': 'lifted',
  spill: 'lifted',
  'one-shot': 'lifted',
  eco: 'lifted',
  'thermal-switch': 'lifted',
  'dryer-limit': 'lifted',
  'furnace-limit': 'furnace-limit',
  'air-proof': 'air-proof',
  sail: 'air-proof',
  condensate: 'condensate',
  aquastat: 'water-limit',
  'manual-limit': 'water-limit',
  'pool-limit': 'water-limit',
  'water-flow': 'water-flow',
  'steam-limit': 'steam-limit',
  'low-water': 'low-water',
  'auxiliary-low-water': 'low-water',
  relief: 'relief',
  'flame-sensing': 'flame-sensing',
  'pilot-magnet': 'thermocouple',
  fuse: 'electrical-supply',
  breaker: 'electrical-supply',
};

/** What the repair of a part of a kind touches, where its profile does not say. */
const OF_PART_KIND: Readonly<Record<string, readonly string[]>> = {
  solenoid: ['gas-control', 'gas-joint'],
  stepper: ['gas-control', 'gas-joint'],
  'pilot-magnet': ['gas-control', 'gas-joint', 'thermocouple'],
  thermocouple: ['thermocouple'],
  thermopile: ['thermopile'],
  'glow-igniter': ['igniter'],
  'spark-gap': ['igniter'],
  'flame-rod': ['flame-sensing'],
  transformer: ['electrical-supply'],
  supply: ['electrical-supply'],
  converter: ['electrical-supply'],
  fuse: ['electrical-supply'],
  battery: ['supply-12v'],
  motor: ['air-side'],
};

export const touchesOf = (partKind: string): readonly string[] => OF_PART_KIND[partKind] ?? [];

/** The list for something touched: by its own name, or by the kind of safety that it is. */
export const proofListOf = (touched: string): string | undefined =>
  PROOF_LIST_IDS.includes(touched) ? touched : OF_SAFETY[touched];

/** The proof of a repair: the run of the family, what is always so, and the list of each thing touched. */
export function proofListsFor(family: Family | undefined, touched: Iterable<string>): readonly ProofList[] {
  const wanted = new Set([...touched].flatMap((t) => proofListOf(t) ?? []));
  return [RUN, ...TOUCHED.filter(({ id }) => wanted.has(id)), ALWAYS]
    .map((list) => ({ ...list, lines: list.lines.filter(({ families }) => runs(families, family)) }))
    .filter(({ lines }) => lines.length > 0);
}

const runs = (families: readonly Family[] | undefined, family: Family | undefined): boolean =>
  families === undefined || (family !== undefined && appliesTo(families, family));

/** Between what a number has to be: as the plate says, else as practice has it for the fuel; nothing while that is not known. */
export function rangeOf({ number }: ProofLine, fuel: string | undefined, plate?: Range): Range | undefined {
  if (plate && number?.plate) return plate;
  if (!number?.fuels) return number;
  return fuel === 'natural' || fuel === 'propane' ? number.fuels[fuel] : undefined;
}

/** What was typed for a line of the proof. */
export interface Typed {
  readonly value?: number | undefined;
  /** Limits that the plate says. */
  readonly plate?: Range | undefined;
}

/** Why a line is not done with what was typed; nothing when it is. Limits by fuel ask for the fuel first. */
export function lineProblem(line: ProofLine, { value, plate }: Typed, fuel: string | undefined): string | undefined {
  const { number, limit } = line;
  if (!number) return undefined;
  const range = rangeOf(line, fuel, plate);
  if (!range) return 'Say which fuel the plate names, or type the limits of the plate.';
  const least = range.least ?? -Infinity;
  const most = range.most ?? Infinity;
  if (!(least <= most)) return 'The plate’s lower limit is above its upper one: read it again.';
  if (value === undefined || !Number.isFinite(value)) return `Type what was read, in ${number.unit}: ${limit}.`;
  const said = range === number ? limit : `${least} to ${most} ${number.unit}`;
  return value >= least && value <= most
    ? undefined
    : `${value} ${number.unit} is not within ${said}: it is not proved by that.`;
}
