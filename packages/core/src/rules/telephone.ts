import { appliesTo, C, D, F, type Family, G, H, HP, MF, MW, PH, S, SW } from './family';

/** A question on the telephone, before anybody drives. What the model weighs is asked by the engine besides these. */
export interface TelephoneQuestion {
  readonly id: string;
  /** The history of it, or something that the owner goes and looks at. */
  readonly group: 'history' | 'owner';
  /** Whom it is asked; nothing is everybody. */
  readonly families?: readonly Family[];
  readonly ask: string;
  /** What the answer is good for. */
  readonly why: string;
  readonly answers: readonly { readonly id: string; readonly title: string }[];
}

const LOOKED = [
  { id: 'yes', title: 'Yes' },
  { id: 'no', title: 'No' },
  { id: 'unknown', title: 'Does not know' },
] as const;

const history = (id: string, ask: string, why: string, answers: readonly [string, string][]): TelephoneQuestion => ({
  id,
  group: 'history',
  ask,
  why,
  answers: answers.map(([answer, title]) => ({ id: answer, title })),
});

const owner = (id: string, families: readonly Family[] | undefined, ask: string, why: string): TelephoneQuestion => ({
  id,
  group: 'owner',
  ...(families && { families }),
  ask,
  why,
  answers: LOOKED,
});

/** With power in its walls. */
const POWERED: readonly Family[] = [F, MF, S, H, C, PH, HP, D].flat();
/** Called for by a thermostat. */
const BY_THERMOSTAT: readonly Family[] = [F, MF, S, H, C].flat();
/** On the gas of a building. */
const PIPED: readonly Family[] = G.filter((family) => !MF.includes(family) && !MW.includes(family));
/** Vents through a wall or a roof. */
const VENTED: readonly Family[] = G.filter((family) => !D.includes(family));

/** Common practice, no source. Nothing of it asks the owner to open, measure or reset anything. */
const TELEPHONE: readonly TelephoneQuestion[] = [
  history('since', 'Since when?', 'what was done just before is looked at first', [
    ['today', 'Today'],
    ['week', 'This week'],
    ['month', 'A month'],
    ['longer', 'Longer'],
  ]),
  history('often', 'How often?', 'what comes and goes is stayed with longer', [
    ['always', 'Every start'],
    ['some-days', 'Some days'],
    ['once', 'Once'],
  ]),
  history('bill', 'The bill?', 'a higher one speaks for short cycles, or for air and water that stand', [
    ['usual', 'As ever'],
    ['higher', 'Higher'],
    ['unknown', 'Not known'],
  ]),
  history('touched', 'Touched by?', 'work that was done lately is looked at first', [
    ['nobody', 'Nobody'],
    ['us', 'Us'],
    ['others', 'Others'],
  ]),
  owner('switch', POWERED, 'Is its switch on, and is no breaker out? Nothing is switched.', 'rules out the supply'),
  owner(
    'thermostat',
    BY_THERMOSTAT,
    'Is the thermostat on heat, well above the room, its screen lit?',
    'a call for heat',
  ),
  owner(
    'other-gas',
    PIPED,
    'Does another gas appliance burn as usual?',
    'gas is there, or the utility’s work comes first',
  ),
  owner('cylinder', [...MF, ...MW], 'Is there gas in the cylinder, and does the cooker burn?', 'gas is there'),
  owner('battery', [...MF, ...MW], 'Are the lights as bright as ever?', 'a weak battery stops the fan first'),
  owner('vent', VENTED, 'Are its ends outside free of snow, leaves and nests?', 'rules out the simplest blocked vent'),
  owner('filter', F, 'Was the air filter changed this season?', 'a blocked one trips the limit'),
  owner('registers', [...F, ...MF], 'Are the registers open?', 'shut ones trip the limit'),
  owner('glass', S, 'Does water stand in the gauge glass?', 'no water is no visit for a test: it stays off'),
  owner('glass-brown', S, 'Is that water clear, not brown?', 'dirt fouls probe and float'),
  owner(
    'gauge',
    [...H, ...C],
    'Does the gauge stand where it always stands when it is cold?',
    'low water locks it out',
  ),
  owner('one-room', H, 'Is every room cold, not only one?', 'one alone is a zone, its valve or its air'),
  owner('tap', C, 'Does the tap get hot?', 'splits heating from hot water'),
  owner('pilot', SW, 'Is there a small flame behind its window?', 'pilot lit, or not'),
  owner('dry-floor', [...SW, ...H, ...C], 'Is the floor under it dry?', 'a leak comes before the fire'),
  owner('pump', [...PH, ...HP], 'Is the pool pump running, water moving in the strainer?', 'rules out pump and timer'),
  owner(
    'needle',
    [...PH, ...HP],
    'Is the needle of the filter gauge near where it is after a wash?',
    'flow, or little of it',
  ),
  owner('baskets', [...PH, ...HP], 'Are skimmer and strainer baskets empty?', 'flow, or little of it'),
  owner('ice', HP, 'Is its coil free of ice and leaves?', 'air, or little of it'),
  owner(
    'lint',
    D,
    'Was the lint screen cleaned, and does air blow strongly outside?',
    'a packed duct trips its limits',
  ),
  owner('drum', D, 'Does the drum turn?', 'without it the burner gets no call'),
];

/** What is asked of a family, in order; of an unknown one everything. */
export const telephoneList = (family: Family | undefined): readonly TelephoneQuestion[] =>
  TELEPHONE.filter(({ families }) => appliesTo(families, family));

/** A question of the list, by its id. */
export const telephoneQuestion = (id: string): TelephoneQuestion | undefined => TELEPHONE.find((q) => q.id === id);
