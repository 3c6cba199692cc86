import type { Authority } from '@zetalysis/core/rules';
import { pick, pickBy, Random } from '@zetalysis/core/simulation';
import { momentOf } from './calendar';
import { FAMILIES_IN_TOWN, PEOPLE } from './invented';
import type { SeasonMachine } from './machines';

/** What a call of the season is about. */
type Kind =
  /** Something is broken. */
  | 'break'
  /** It was broken before, and the same thing was not found then, or something else broke soon after. */
  | 'callback'
  /** A part has to come first: two visits. */
  | 'waiting'
  /** Nothing is wrong. */
  | 'nothing'
  /** A yearly service: the gauges are read. */
  | 'service'
  /** A safety was found gone round. */
  | 'found-jumper'
  /** A safety was gone round for a test, and taken off again in time. */
  | 'test-jumper'
  /** It was only told by telephone: nobody has gone yet. */
  | 'today';

export interface PlannedCall {
  readonly index: number;
  /** Its place in the list of machines. */
  readonly machine: number;
  readonly kind: Kind;
  readonly person: string;
  readonly authority: Authority;
  /** Who comes for the second visit. */
  readonly second: string;
  readonly at: number;
  readonly complaint: string;
  readonly seed: number;
}

/** As many calls as join the demo's own. */
const CALLS = 580;
const TODAY = 16;
const CALLBACKS = 28;
const DAYS = 365;
/** The call on which somebody's jumper is found, and the one on which a jumper is used for a test. */
const STORIES: Readonly<Record<number, Kind>> = { 60: 'found-jumper', 210: 'test-jumper' };
/** Both happen on a furnace with a limit and an air switch. */
const STORY_FAMILY = 'furnace-condensing';

const KINDS: readonly { readonly kind: Kind; readonly share: number }[] = [
  { kind: 'break', share: 76 },
  { kind: 'waiting', share: 7 },
  { kind: 'nothing', share: 6 },
  { kind: 'service', share: 11 },
];

/** The calls of the season, the oldest first: on which machine, of what kind, by whom. Always the same ones. */
export function callsOfSeason(machines: readonly SeasonMachine[]): readonly PlannedCall[] {
  const random = new Random(4711);
  const people = PEOPLE.filter(({ share }) => share > 0);
  const plain = CALLS - TODAY - CALLBACKS;
  const drawn = Array.from({ length: plain }, (_, i) => {
    const story = STORIES[i];
    const of = machines.map((_m, at) => at).filter((at) => !story || machines[at]!.machine.profile === STORY_FAMILY);
    return {
      machine: pick(of, random),
      kind: story ?? pickBy(KINDS, (k) => k.share, random).kind,
      daysAgo: pickBy(COLD, ({ cold }) => cold, random).daysAgo,
    };
  });
  const again = drawn
    .filter(({ kind, daysAgo }) => kind === 'break' && daysAgo > 30)
    .slice(0, CALLBACKS)
    .map(({ machine, daysAgo }) => ({
      machine,
      kind: 'callback' as const,
      daysAgo: daysAgo - 2 - Math.floor(random.next() * 22),
    }));
  const today = Array.from({ length: TODAY }, () => ({
    machine: Math.floor(random.next() * machines.length),
    kind: 'today' as const,
    daysAgo: 0,
  }));
  return [...drawn, ...again, ...today]
    .sort((a, b) => b.daysAgo - a.daysAgo)
    .map(({ machine, kind, daysAgo }, index): PlannedCall => {
      const drawn = pickBy(people, (p) => p.share, random);
      // Not everybody may go round a safety, or work alone.
      const able = kind === 'test-jumper' || drawn.role === 'apprentice' ? people[0]! : drawn;
      const { profile } = machines[machine]!.machine;
      return {
        index,
        machine,
        kind,
        person: able.name,
        authority: { role: able.role, grants: able.grants },
        second: pick(people, random).name,
        at: kind === 'today' ? momentOf(0, 6 * 60 + (index % 60)) : momentOf(daysAgo, (7.5 + random.next() * 9) * 60),
        complaint: complaintOf(kind, profile, random),
        seed: 100_000 + index,
      };
    });
}

/** The days of the year before the last one, and how cold each is: most calls come with the frost. */
const COLD = Array.from({ length: DAYS }, (_, i) => ({
  daysAgo: i + 1,
  // The coldest day lies in the middle of January, some 45 days after the last of November.
  cold: 1 + 1.2 * Math.cos(((i + 1 + 45) / DAYS) * 2 * Math.PI) + 0.3,
})).filter(({ cold }) => cold > 0);

function complaintOf(kind: Kind, profile: string, random: Random): string {
  if (kind === 'service') return 'Yearly service.';
  if (kind === 'found-jumper') return 'It smells hot, and it ran all night.';
  const said = pick(FAMILIES_IN_TOWN[profile]!.complaints, random);
  return kind === 'callback' ? `Again: ${said.charAt(0).toLowerCase()}${said.slice(1)}` : said;
}
