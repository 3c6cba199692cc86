import type {
  Advice,
  Breaks,
  patterns,
  PatternsFilter,
  PatternsStanding,
  RateLine,
  Rates,
  Replied,
  SharedBy,
} from '@zetalysis/contract';
import {
  AGES,
  ageOf,
  type CaseFacts,
  casesOf,
  changeOf,
  factorsOf,
  isRateBook,
  type RateBook,
  shareOf,
  STAGES,
  standsOut,
  sum,
} from '@zetalysis/core/book';
import { MILLIS_A_YEAR } from '@zetalysis/core/history';
import type { RateFactors } from '@zetalysis/core/inference';
import { can } from '@zetalysis/core/rules';
import { Problem } from '../../http/problem';
import { asEvent, callWith, eventsAfter } from '../calls/repository';
import { machineWith } from '../machines/repository';
import type { Profiles } from '../profiles/service';
import { authorityOf } from '../session/authority';
import type { Person } from '../session/model';
import { everybody } from '../session/repository';
import type { CountedOf } from './facts';
import type { BookReader } from './reader';
import {
  addPublication,
  addRates,
  adviceOf,
  type AdviceRow,
  bookStanding,
  breaksBy,
  breaksOfMakes,
  casesBehind,
  countedCases,
  keepFacts,
  machinesWatched,
  publications,
  ratesWith,
  rateVersions,
  unreadCalls,
  untoldBreaks,
  watchedCases,
} from './repository';

/** As many calls are read for one request, for as long at most, milliseconds: it is asked again until none is left. */
const AT_ONCE = 40;
const LONGEST = 2000;
/** As many entries a call may have. */
const MOST_ENTRIES = 5000;
/** Changed calls that are shown. */
const MOST_CHANGED = 60;
/** By a hundred machines and year. */
const HUNDRED = 100;

/** What the calls of the shop add up to: breaks, rates, and whether the advice was right. */
export class Book {
  constructor(
    private readonly profiles: Profiles,
    private readonly reader: BookReader,
  ) {}

  standing = (): Promise<PatternsStanding> => bookStanding();

  /** Reads some calls into the book. */
  async read(): Promise<PatternsStanding> {
    const until = Date.now() + LONGEST;
    for (const { callId, upTo } of await unreadCalls(AT_ONCE)) {
      await this.#readCall(callId, upTo);
      if (Date.now() > until) break;
    }
    return bookStanding();
  }

  async #readCall(id: string, upTo: number): Promise<void> {
    const call = (await callWith(id))!;
    const machine = call.machineId === null ? null : await machineWith(call.machineId);
    const make = machine?.make ?? '';
    const age = machine ? ageAt(machine.sheet?.made, call.createdAt) : undefined;
    const about = {
      callId: id,
      upTo,
      profile: call.profile,
      machineId: call.machineId,
      make,
      age: ageOf(age) ?? null,
      personId: call.openedBy,
      openedAt: call.createdAt,
    };
    const facts = await this.#factsOf(call);
    const at = facts?.advised;
    await keepFacts(
      {
        ...about,
        ...(facts && {
          part: facts.part,
          title: facts.title.slice(0, 120),
          cause: facts.cause,
          causeTitle: facts.causeTitle.slice(0, 120),
          standing: facts.standing,
          repairs: facts.repairs,
          watched: facts.watched,
          complaintRight: at?.complaint?.right ?? null,
          watchedRight: at?.watched?.right ?? null,
          halfRight: at?.half?.right ?? null,
          endRight: at?.end?.right ?? null,
          watchedSaid: at?.watched?.said ?? null,
          tests: facts.tests,
          minutes: facts.minutes,
          plannedTests: facts.planned?.tests ?? null,
          plannedMinutes: facts.planned?.minutes ?? null,
          cannot: facts.cannot,
          willNot: facts.willNot,
          fitted: facts.fitted,
          unproved: facts.unproved,
          inVain: facts.inVain,
        }),
      },
      facts?.ways ?? {},
    );
  }

  async #factsOf({ id, profile, profileVersion, build, settings }: Known): Promise<CaseFacts | undefined> {
    const { source } = await this.profiles.get(profile, 400, profileVersion);
    const { rows } = await eventsAfter(id, 0, MOST_ENTRIES);
    const { version, ...machine } = settings.rates ?? {};
    const book = version === undefined ? undefined : await bookOf(version);
    const asked = {
      source,
      build,
      events: rows.map(asEvent),
      rates: book && { book, of: { profile, ...machine } },
    };
    // A log that cannot be replayed must not keep the others out; when the database fails, nothing is written of the call.
    return this.reader.facts(asked).catch(() => undefined);
  }

  async breaks(filter: PatternsFilter): Promise<Breaks> {
    const [rows, makes, years] = await Promise.all([breaksBy(filter), breaksOfMakes(filter), machineYears()]);
    const lines = new Map<string, Breaks['lines'][number]>();
    for (const { part, title, cause, causeTitle, cases, proved, recent, before } of rows) {
      const line = lines.get(title) ?? {
        part,
        title,
        cases: 0,
        itself: 0,
        proved: 0,
        recent: 0,
        before: 0,
        causes: [],
      };
      lines.set(title, {
        ...line,
        cases: line.cases + cases,
        itself: line.itself + (causeTitle === '' ? cases : 0),
        proved: line.proved + proved,
        recent: line.recent + recent,
        before: line.before + before,
        causes: causeTitle === '' ? line.causes : [...line.causes, { part: cause, title: causeTitle, cases }],
      });
    }
    const sorted = [...lines.values()]
      .map((l) => ({ ...l, causes: [...l.causes].sort((a, b) => b.cases - a.cases) }))
      .sort((a, b) => b.cases - a.cases);
    const yearsOf = (profile: string, make?: string): number =>
      sum(years.filter((y) => y.profile === profile && (make === undefined || y.make === make)).map((y) => y.years));
    const series = makes.flatMap(({ gaps, between, ...row }) => {
      const all = sum(makes.filter((m) => m.profile === row.profile && m.title === row.title).map((m) => m.cases));
      const watched = yearsOf(row.profile);
      const expected = watched > 0 ? (all * yearsOf(row.profile, row.make)) / watched : 0;
      if (!standsOut(row.cases, expected)) return [];
      return [{ ...row, expected, between: gaps >= FEWEST_GAPS ? between : null }];
    });
    return { lines: sorted, total: sum(sorted.map((l) => l.cases)), series: series.sort((a, b) => b.cases - a.cases) };
  }

  cases = async (filter: Parameters<typeof casesBehind>[0]): Promise<Replied<typeof patterns.cases>> => ({
    cases: await casesBehind(filter),
  });

  /** What the advice on one's own calls was worth; on those of the shop for a lead. Throws a Problem. */
  async advice(
    person: Person,
    { whose = 'mine', ...filter }: PatternsFilter & { whose?: 'mine' | 'shop' | undefined },
  ): Promise<Advice> {
    if (whose === 'shop' && !leads(person))
      throw new Problem(403, 'Not yours to see', 'Everybody sees their own calls; a lead sees those of the shop.');
    const { sums, groups, spread, families, people, seasons, worst } = await adviceOf(
      whose === 'mine' ? { ...filter, person: person.id } : filter,
    );
    const n = (row: AdviceRow | undefined, key: string): number => Number(row?.[key] ?? 0);
    const or = (key: string): number | null => orNothing(spread?.[key]);
    const by = (rows: readonly AdviceRow[]): SharedBy[] =>
      rows.map((r) => ({
        id: String(r['id']),
        title: String(r['title'] || r['id']),
        right: shareOf(n(r, 'rightly'), n(r, 'of')),
        minutes: orNothing(r['minutes']),
        planned: orNothing(r['planned']),
      }));
    const of = n(sums, 'of');
    return {
      whose,
      of,
      stages: STAGES.map((stage) => ({ stage, right: shareOf(n(sums, `${stage}Right`), n(sums, `${stage}Of`)) })),
      lasting: shareOf(n(sums, 'old') - n(sums, 'cameBack'), n(sums, 'old')),
      groups: groups.map((g) => ({ said: n(g, 'said'), was: shareOf(n(g, 'rightly'), n(g, 'of')) })),
      tests: { of, median: or('tests'), most: or('testsMost'), planned: or('plannedTests') },
      minutes: { of, median: or('minutes'), most: or('minutesMost'), planned: or('plannedMinutes') },
      cannot: n(sums, 'cannot'),
      willNot: n(sums, 'willNot'),
      fitted: n(sums, 'fitted'),
      unproved: n(sums, 'unproved'),
      inVain: n(sums, 'inVain'),
      families: by(families),
      people: whose === 'shop' ? by(people) : [],
      seasons: by(seasons),
      worst: worst.map((w) => ({
        call: String(w['call']),
        machine: w['machine'] === null ? null : String(w['machine']),
        title: String(w['title']),
        said: n(w, 'said'),
      })),
    };
  }

  /** What is learned as the book stands, and what of that was published. */
  async rates(): Promise<Rates> {
    const [{ book, titles, years }, versions, published, names, watched] = await Promise.all([
      this.#learn(),
      rateVersions(),
      publications(),
      namesOf(),
      watchedCases(),
    ]);
    const current = published[0]?.version ?? null;
    const before = current === null ? undefined : await bookOf(current);
    const lines = Object.entries(book.families).flatMap(([profile, family]) =>
      Object.entries(family.ways).map(([way, r]): RateLine => ({
        profile,
        way,
        title: titles[profile]?.[way] ?? way,
        cases: r.cases,
        assumed: r.assumed * HUNDRED,
        rate: r.rate * HUNDRED,
        low: r.low * HUNDRED,
        high: r.high * HUNDRED,
      })),
    );
    return {
      current,
      versions: versions.map((v) => ({
        version: v.version,
        by: names.get(v.byId) ?? '',
        at: v.createdAt.toISOString(),
        words: v.words,
        cases: v.cases,
        published: published.find((p) => p.version === v.version)?.createdAt.toISOString() ?? null,
      })),
      lines: lines.sort((a, b) => b.cases - a.cases),
      years,
      changed: changesOf(watched, before, book),
    };
  }

  /** Keeps what is learned now. Throws a Problem where somebody may not, or nothing was counted. */
  async draft(person: Person, words: string): Promise<Rates> {
    mayPublish(person);
    const { book } = await this.#learn();
    const cases = sum(Object.values(book.families).map(casesOf));
    if (cases === 0)
      throw new Problem(
        409,
        'Nothing to learn from',
        'No break is read into the book yet. Read the closed calls first.',
      );
    await addRates({ byId: person.id, words, cases, book: JSON.stringify(book) });
    return this.rates();
  }

  /** New calls are worked with a version, or with what ships. Throws a Problem. */
  async publish(person: Person, version: number | null, words: string): Promise<Rates> {
    mayPublish(person);
    if (version !== null && !(await ratesWith(version))) throw noVersion(version);
    await addPublication({ version, byId: person.id, words });
    return this.rates();
  }

  async current(): Promise<Replied<typeof patterns.current>> {
    return { version: (await publications())[0]?.version ?? null };
  }

  async book(version: number): Promise<Replied<typeof patterns.book>> {
    const book = await bookOf(version);
    if (!book) throw noVersion(version);
    return { version, book };
  }

  async #learn() {
    const [cases, years, untold] = await Promise.all([countedCases(), machineYears(), untoldBreaks()]);
    const profiles = [...new Set(cases.map((c) => c.profile))].sort();
    const families = await Promise.all(
      profiles.map(async (profile): Promise<CountedOf> => ({
        profile,
        source: (await this.profiles.get(profile, 400)).source,
        untold: untold.get(profile) ?? 0,
        cases: cases.filter((c) => c.profile === profile),
        years: years.filter((y) => y.profile === profile),
      })),
    );
    const learned = await this.reader.learn(families);
    return { ...learned, years: sum(families.flatMap((f) => f.years.map((y) => y.years))) };
  }
}

type Known = NonNullable<Awaited<ReturnType<typeof callWith>>>;

const orNothing = (value: number | string | null | undefined): number | null =>
  value === null || value === undefined ? null : Number(value);

/** Means of fewer gaps say nothing. */
const FEWEST_GAPS = 5;

const leads = (person: Person): boolean => can(authorityOf(person), 'rates') === '+';

function mayPublish(person: Person): void {
  if (!leads(person))
    throw new Problem(
      403,
      'Not yours to publish',
      'A lead reviews and publishes the rates of the shop. Ask one of them.',
    );
}

const noVersion = (version: number): Problem =>
  new Problem(404, 'No such version', `There is no version ${version} of the rates. Look at the list of versions.`);

const namesOf = async (): Promise<ReadonlyMap<string, string>> =>
  new Map((await everybody()).map(({ id, fullName }) => [id, fullName]));

/** Rates as they were kept; nothing where there is no such version, or it cannot be read any more. */
async function bookOf(version: number): Promise<RateBook | undefined> {
  const kept = await ratesWith(version);
  const book: unknown = kept && JSON.parse(kept.book);
  return isRateBook(book) ? book : undefined;
}

/** How old a machine was; nothing where nobody wrote down when it was made. */
function ageAt(made: string | undefined, at: Date): number | undefined {
  const year = made === undefined || made === '' ? NaN : Number(made);
  return Number.isFinite(year) ? Math.max(0, at.getFullYear() - year) : undefined;
}

interface MachineYears {
  readonly profile: string;
  readonly make: string;
  readonly age: string | null;
  readonly years: number;
}

/** How long machines were watched, by family, make and age: each year of a machine counts for the age that it had then. */
async function machineYears(now = new Date()): Promise<MachineYears[]> {
  const found = new Map<string, MachineYears>();
  const add = (profile: string, make: string, age: string | null, years: number): void => {
    const key = JSON.stringify([profile, make, age]);
    found.set(key, { profile, make, age, years: (found.get(key)?.years ?? 0) + years });
  };
  for (const { profile, make, made, since } of await machinesWatched()) {
    const years = Math.max(0, (now.getTime() - new Date(since).getTime()) / MILLIS_A_YEAR);
    const old = ageAt(made ?? undefined, now);
    if (old === undefined) add(profile, make, null, years);
    else
      for (const { id, from, below } of AGES) {
        const within = Math.min(old, below) - Math.max(old - years, from);
        if (within > 0) add(profile, make, id, within);
      }
  }
  return [...found.values()];
}

/** What a book would have changed of the first suspect, beside another one. */
function changesOf(
  watched: Awaited<ReturnType<typeof watchedCases>>,
  before: RateBook | undefined,
  after: RateBook,
): Rates['changed'] {
  const factors = new Map<string, readonly [RateFactors, RateFactors]>();
  const changed = { better: 0, worse: 0, neither: 0 };
  const calls: Rates['changed']['calls'] = [];
  for (const { callId, profile, make, age, machine, openedAt, ...believed } of watched) {
    const key = JSON.stringify([profile, make, age]);
    const of = { profile, make, ...(age !== null && { age: someAgeOf(age) }) };
    const both = factors.get(key) ?? ([factorsOf(before, of), factorsOf(after, of)] as const);
    factors.set(key, both);
    const how = changeOf(believed, ...both);
    if (how === undefined) continue;
    changed[how]++;
    if (calls.length < MOST_CHANGED)
      calls.push({ call: callId, machine, openedAt: new Date(openedAt).toISOString(), how });
  }
  return { of: watched.length, ...changed, calls };
}

/** Some age of a group. */
const someAgeOf = (age: string): number => AGES.find(({ id }) => id === age)?.from ?? 0;
