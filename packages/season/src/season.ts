import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { SHOP_FILE } from '@zetalysis/contract';
import { Engine } from '@zetalysis/core/diagnosis';
import { loadProfile } from '@zetalysis/core/profile';
import { Random } from '@zetalysis/core/simulation';
import type { CallEvent } from '@zetalysis/core/visit';
import { dayOf, idAt, LAST_DAY, momentOf } from './calendar';
import { PEOPLE } from './invented';
import { machinesOfSeason, type SeasonMachine } from './machines';
import { photoOf } from './photos';
import { callsOfSeason, type PlannedCall } from './planned-calls';
import { type Known, playCall, type PlayedCall } from './played-call';

const PROFILES = join(import.meta.dirname, '../../../profiles');

/** A line of a shop's file, as what it says. */
type Line = Readonly<Record<string, unknown>>;

/** One photo stands with every so many-th call that was played. */
const PHOTO_EVERY = 45;
const PHOTO_KINDS = ['plate', 'wiring', 'damage'] as const;

/** The invented shop's season: always the same one. Profiles are read from a folder. */
export class Season {
  readonly machines: readonly SeasonMachine[] = machinesOfSeason();
  readonly calls: readonly PlannedCall[] = callsOfSeason(this.machines);
  readonly #known = new Map<string, Known>();

  constructor(private readonly profiles = PROFILES) {}

  /** Plays one of its calls; which were played before makes no difference. */
  play(index: number): PlayedCall {
    const plan = this.calls[index]!;
    const of = this.machines[plan.machine]!;
    return playCall(plan, of, this.#of(of.machine.profile));
  }

  /** People, machines, and whose they are. */
  register(): Line[] {
    const people = PEOPLE.map(({ share: _share, grants, ...person }) => ({
      kind: 'person',
      id: personId(person.name),
      ...person,
      grants: [...grants],
    }));
    return [
      ...people,
      ...this.machines.map(({ machine }) => ({ kind: 'machine', ...machine })),
      ...this.machines.map(({ machine, contact }) => ({ kind: 'contact', machine: machine.id, ...contact })),
    ];
  }

  /** The lines of a call that was played: its entries, and a photo with some. */
  async linesOf(index: number, { events, ended }: PlayedCall): Promise<Line[]> {
    const plan = this.calls[index]!;
    const entries = (list: readonly CallEvent[]): Line[] => list.map((event) => ({ kind: 'entry', event, as: null }));
    if (index % PHOTO_EVERY !== 0 || ended !== 'proved') return entries(events);
    const random = new Random(plan.seed + 1);
    const last = events.at(-1)!;
    const at = Date.parse(last.at);
    const what = PHOTO_KINDS[(index / PHOTO_EVERY) % PHOTO_KINDS.length]!;
    const { id, ...photo } = { id: idAt(at, random), ...(await photoOf(what, this.machines[plan.machine]!)) };
    const body = { type: 'photo', photo: id, kind: what, words: WORDS[what] } as const;
    // It is taken before the call is closed.
    const taken: CallEvent = { ...last, id: idAt(at, random), body };
    const closing = { ...last, seq: last.seq + 1 };
    return [
      ...entries([...events.slice(0, -1), taken, closing]),
      { kind: 'photo', id, call: last.call, person: personId(last.person), ...photo },
    ];
  }

  #of(profile: string): Known {
    let known = this.#known.get(profile);
    if (!known) {
      const source = readFileSync(join(this.profiles, `${profile}.yaml`), 'utf8');
      this.#known.set(profile, (known = { source, engine: new Engine(loadProfile(source, profile)) }));
    }
    return known;
  }
}

/** Who they are in the file. */
const personId = (name: string): string => idAt(momentOf(900, 0), new Random(PEOPLE.findIndex((p) => p.name === name)));

const WORDS = { plate: 'Its plate', wiring: 'Before anything came off', damage: 'What had burnt' } as const;

/** The head of the file: what it is, and the day that it takes for today. */
export const headLine = (): Line => ({
  format: SHOP_FILE,
  made: `${LAST_DAY}T00:00:00.000Z`,
  today: dayOf(momentOf(0, 0)),
});
