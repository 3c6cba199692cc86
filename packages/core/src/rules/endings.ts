import type { Followed } from './followed';
import { isDotted, type ProofLine, proofListsFor } from './proof-lists';
import { stayMinutes } from './stay';

export const ENDINGS = ['proved', 'not-proved', 'waiting', 'left-off', 'nothing-found', 'mistake', 'referred'] as const;
export type EndingId = (typeof ENDINGS)[number];

/** Words that an ending asks for. */
export interface Asked {
  readonly id: string;
  readonly ask: string;
}

export interface Ending {
  readonly id: EndingId;
  readonly title: string;
  readonly asks: readonly Asked[];
  readonly optional?: readonly Asked[];
  /** Requirements that the state of the call meets or not. */
  readonly requires: readonly RequirementId[];
}

type RequirementId = keyof typeof REQUIREMENTS;

/** What has to be so before a call ends in a way; said when it is not. */
export interface Requirement {
  readonly id: string;
  readonly words: string;
  readonly met: boolean;
}

const REQUIREMENTS = {
  'no-bypass': {
    words: 'No bypass and no call jumper is on.',
    met: ({ c }: Followed) => c.bypasses.length === 0,
  },
  'nobody-out': {
    words: 'No stop with everybody out stands.',
    met: ({ stops }: Followed) => stops.every(({ grade }) => grade !== 'out'),
  },
  'no-stop': { words: 'No stop stands.', met: ({ stops }: Followed) => stops.length === 0 },
  break: {
    words: 'The break and its cause are recorded, or why there is none.',
    met: (f: Followed) => f.breakRecorded,
  },
  repair: { words: 'A repair is noted.', met: ({ c }: Followed) => c.repaired.size > 0 },
  proof: { words: 'Every line of the proof is done.', met: (f: Followed) => openLines(f).length === 0 },
  'temporary-undone': {
    words: 'Temporary things are undone: plugs, leads, parts, joints, panels, adjustments settled.',
    met: ({ c }: Followed) => c.temporary.size === 0,
  },
  'joint-soaped': {
    words: 'Each gas joint that was opened is soaped.',
    met: (f: Followed) => !openLines(f).some(({ id }) => id === 'joint-soap'),
  },
  'safety-acted': {
    words: 'Each touched safety was made to act; else leave it off.',
    met: (f: Followed) => safetiesActed(f),
  },
  'dead-if-stopped': {
    words: 'Where a stop stands: gas and power are off, both noted.',
    met: ({ stops, c }: Followed) => stops.length === 0 || c.dead,
  },
  'gas-power-known': {
    words: 'Gas and power are noted.',
    met: ({ c }: Followed) => c.gasSince !== undefined && c.powerSince !== undefined,
  },
  dead: { words: 'Gas and power are off, both noted.', met: ({ c }: Followed) => c.dead },
  untouched: {
    words: 'Nothing was repaired or adjusted.',
    met: ({ c }: Followed) => c.repaired.size === 0 && !c.touched.has('gas-control'),
  },
  'run-watched': {
    words: 'Smell and CO are read: none, and 9 ppm at most.',
    met: ({ c }: Followed) => (c.is('smell', 'none') || !c.mayBurn) && (c.number('co') ?? Infinity) <= 9,
  },
  unworked: {
    words: 'Nothing was set, opened, reset or repaired.',
    met: ({ c }: Followed) => !c.worked,
  },
  'no-danger': { words: 'No danger came up.', met: ({ dangers }: Followed) => !dangers },
} as const;

const ALL = ['no-bypass', 'nobody-out'] as const;

/** How a call can end, with what each way asks. */
export const ENDING_LIST: readonly Ending[] = [
  {
    id: 'proved',
    title: 'Repair proved',
    asks: [],
    requires: [...ALL, 'no-stop', 'break', 'repair', 'temporary-undone', 'proof'],
  },
  {
    id: 'not-proved',
    title: 'Repaired, not proved',
    asks: [
      { id: 'why', ask: 'Why it cannot be proved today' },
      { id: 'watches', ask: 'What the customer watches' },
    ],
    requires: [...ALL, 'no-stop', 'repair', 'temporary-undone', 'joint-soaped', 'safety-acted'],
  },
  {
    id: 'waiting',
    title: 'Waiting',
    asks: [
      { id: 'for', ask: 'For what' },
      { id: 'whom', ask: 'From whom' },
      { id: 'when', ask: 'Until when' },
    ],
    optional: [{ id: 'handover', ask: 'For whoever comes next' }],
    requires: [...ALL, 'gas-power-known', 'dead-if-stopped'],
  },
  {
    id: 'left-off',
    title: 'Left off and tagged',
    asks: [
      { id: 'why', ask: 'Why' },
      { id: 'told', ask: 'Who was told' },
      { id: 'tag', ask: 'Where the tag hangs' },
    ],
    requires: [...ALL, 'dead'],
  },
  {
    id: 'nothing-found',
    title: 'Nothing found',
    asks: [
      { id: 'run', ask: 'The full run that was watched' },
      { id: 'complaint', ask: 'What answers the complaint' },
    ],
    requires: [...ALL, 'no-stop', 'untouched', 'run-watched'],
  },
  {
    id: 'mistake',
    title: 'Opened by mistake',
    asks: [{ id: 'reason', ask: 'The reason' }],
    requires: [...ALL, 'unworked', 'no-danger'],
  },
  {
    id: 'referred',
    title: 'Referred',
    asks: [
      { id: 'whom', ask: 'To whom' },
      { id: 'reached', ask: 'When they were reached' },
    ],
    requires: ['no-bypass', 'dead-if-stopped'],
  },
];

export const endingWith = (id: string): Ending | undefined => ENDING_LIST.find((ending) => ending.id === id);

/** What an ending asks of the state of a call, met or not. */
export const requirementsOf = ({ requires }: Ending, followed: Followed): Requirement[] =>
  requires.map((id) => ({ id, words: REQUIREMENTS[id].words, met: REQUIREMENTS[id].met(followed) }));

/** The lines of the proof that are not done yet. */
export function openLines(followed: Followed): ProofLine[] {
  const { c } = followed;
  return proofListsFor(c.family, c.touched)
    .flatMap(({ lines }) => lines)
    .filter((line) => !isDone(line, followed));
}

/** Whether a line is done, does not apply, or is met by the state of the call. */
export function isDone({ id, by }: ProofLine, { c, proof }: Followed): boolean {
  if (by === 'temporary-undone') return c.temporary.size === 0 && c.bypasses.length === 0;
  return proof.has(id) || (by === 'stay' && stayMinutes(c) === 0);
}

/** Lines with a dot that are open: a repair that is not proved then takes a lead and a return within seven days. */
export const openDots = (followed: Followed): ProofLine[] => openLines(followed).filter(({ id }) => isDotted(id));

function safetiesActed(followed: Followed): boolean {
  const { c, proof } = followed;
  return proofListsFor(c.family, c.touched)
    .flatMap(({ lines }) => lines)
    .every(({ id, acts }) => acts !== true || proof.has(id));
}

/** What keeps a call from ending in a way: requirements that are not met, and words that are missing. */
export function closingProblems(ending: Ending, given: Readonly<Record<string, string>>, followed: Followed): string[] {
  const unmet = requirementsOf(ending, followed).flatMap(({ met, words }) => (met ? [] : [words]));
  const missing = asksOf(ending, followed).flatMap(({ id, ask }) =>
    (given[id] ?? '').trim() === '' ? [`${ask}?`] : [],
  );
  return [...unmet, ...missing];
}

/** What an ending asks for in words, given how the proof stands. */
export const asksOf = (ending: Ending, followed: Followed): readonly Asked[] =>
  ending.id === 'not-proved' && openDots(followed).length > 0 ? [...ending.asks, RETURN] : ending.asks;

/** Open lines that only a lead may leave out take a lead's name and a return within seven days. */
const RETURN: Asked = { id: 'return', ask: 'Who returns, within seven days' };
