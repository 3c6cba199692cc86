import type { patterns, RateLine, Rates, Replied } from '@zetalysis/contract';
import { AGES, casesOf, changeOf, factorsOf, type RateBook, sum } from '@zetalysis/core/book';
import type { RateFactors } from '@zetalysis/core/inference';
import { Problem } from '../../http/problem';
import type { Person } from '../session/model';
import { namesOfAll } from '../session/repository';
import type { Book } from './book';
import type { CountedOf } from './facts';
import { bookOf } from './kept-rates';
import { machineYears } from './machine-years';
import {
  addPublication,
  addRates,
  countedCases,
  countedTests,
  publications,
  ratesWith,
  rateVersions,
  untoldBreaks,
  watchedCases,
} from './repository/rates';
import { leads } from './figures';

/** Changed calls that are shown. */
const MOST_CHANGED = 60;
/** By a hundred machines and year. */
const HUNDRED = 100;

/** What the book has learned of how often things fail, and which of it new calls are worked with. */
export class ShopRates {
  constructor(private readonly of: Book) {}

  /** What is learned as the book stands, and what of that was published. */
  async rates(): Promise<Rates> {
    const [{ book, titles, years }, versions, published, names, watched] = await Promise.all([
      this.#learned(),
      rateVersions(),
      publications(),
      namesOfAll(),
      this.of.sums.of('watched', {}, watchedCases),
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
      tests: Object.entries(book.families)
        .flatMap(([profile, { tests: learned }]) =>
          (['minutes', 'misleads'] as const).flatMap((of) =>
            Object.entries(learned?.[of] ?? {}).map(([test, r]) => ({
              ...r,
              profile,
              test,
              of,
              title: titles[profile]?.[test] ?? test,
            })),
          ),
        )
        .sort((a, b) => b.cases - a.cases),
      years,
      changed: changesOf(watched, before, book),
    };
  }

  /** Keeps what is learned now. Throws a Problem where somebody may not, or nothing was counted. */
  async draft(person: Person, words: string): Promise<Rates> {
    mayPublish(person);
    const { book } = await this.#learned();
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

  #learned() {
    return this.of.sums.of('learned', {}, () => this.#learn());
  }

  async #learn() {
    const [cases, years, untold, tests] = await Promise.all([
      countedCases(),
      machineYears(),
      untoldBreaks(),
      countedTests(),
    ]);
    const profiles = [...new Set(cases.map((c) => c.profile))].sort();
    const families = await Promise.all(
      profiles.map(async (profile): Promise<CountedOf> => ({
        profile,
        source: (await this.of.profiles.get(profile, 400)).source,
        untold: untold.get(profile) ?? 0,
        cases: cases.filter((c) => c.profile === profile),
        years: years.filter((y) => y.profile === profile),
        tests: tests.filter((x) => x.profile === profile),
      })),
    );
    const learned = await this.of.reader.learn(families);
    return { ...learned, years: sum(families.flatMap((f) => f.years.map((y) => y.years))) };
  }
}

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
