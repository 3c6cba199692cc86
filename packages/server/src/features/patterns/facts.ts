import {
  assumedRates,
  type CaseFacts,
  caseFacts,
  type Counted,
  type FamilyRates,
  learnFamily,
  type CountedTest,
  learnTests,
  type RateBook,
  sum,
  testsOf,
  type Weighed,
  weighedEngine,
} from '@zetalysis/core/book';
import type { KeptLimit } from '@zetalysis/core/bench';
import { Engine } from '@zetalysis/core/diagnosis';
import { courseOf, type MachineEntry, readingLines } from '@zetalysis/core/history';
import { questionTitle } from '@zetalysis/core/presentation';
import { type Build, buildKey, loadProfile } from '@zetalysis/core/profile';
import type { Dimension } from '@zetalysis/core/units';
import { type CallEvent, reduceCall } from '@zetalysis/core/visit';

/** A call to be read, with what it was worked under; or what is to be learned of all of them. */
export type Asked =
  | {
      readonly what: 'facts';
      readonly source: string;
      readonly build: Build;
      readonly events: readonly CallEvent[];
      /** The rates that it was worked with, and for what machine; those that ship where there are none. */
      readonly rates: Weighed | undefined;
    }
  /** The readings of a machine over the years. */
  | {
      readonly what: 'lines';
      readonly source: string;
      readonly build: Build;
      readonly entries: readonly MachineEntry[];
      readonly kept: readonly KeptLimit[];
    }
  /** What is learned of families by what was counted. */
  | { readonly what: 'learn'; readonly families: readonly CountedOf[] };

/** Cases of a family, in rows as they were counted, with the machine years of each make and age. */
export interface CountedOf {
  readonly profile: string;
  readonly source: string;
  /** Breaks of which nobody can say how it failed. */
  readonly untold: number;
  readonly cases: readonly {
    readonly way: string;
    readonly make: string;
    readonly age: string | null;
    readonly cases: number;
  }[];
  readonly years: readonly { readonly make: string; readonly age: string | null; readonly years: number }[];
  readonly tests: readonly CountedTest[];
}

/** What was learned, and what each way of failing and each test is called, by family. */
export interface Learned {
  readonly book: RateBook;
  readonly titles: Readonly<Record<string, Readonly<Record<string, string>>>>;
}

/** Readings of one kind on a machine that go somewhere. SI. */
export interface MachineLine {
  readonly line: string;
  readonly title: string;
  readonly dimension: Dimension;
  readonly points: number;
  readonly lastAt: number;
  readonly lastValue: number;
  readonly perYear: number;
  readonly perYearWithin: number;
  /** The first of its limits that it will cross; nothing where none is ahead. */
  readonly ahead:
    | {
        readonly limit: number;
        readonly words: 'marginal' | 'bad';
        readonly earliest: number;
        readonly latest: number;
      }
    | undefined;
}

/** As many engines stay in memory. */
const KEPT = 4;
const engines = new Map<string, Engine>();

/** In a thread of its own: an engine replays the call. Nothing where no break was recorded. */
export default function answer(asked: Asked): CaseFacts | undefined | Learned | MachineLine[] {
  if (asked.what === 'learn') return learn(asked.families);
  if (asked.what === 'lines') return linesOf(asked);
  const { source, build, events, rates } = asked;
  const shipped = engineOf(source, build);
  const worked = rates ? weighedEngine(shipped.model, rates) : shipped;
  return caseFacts(worked, shipped, reduceCall(shipped.model, events));
}

function linesOf({ source, build, entries, kept }: Extract<Asked, { what: 'lines' }>): MachineLine[] {
  const { model } = engineOf(source, build);
  return readingLines(model, entries, kept).flatMap((line): MachineLine[] => {
    const { trend, ahead } = courseOf(line);
    if (trend?.slides !== true) return [];
    const last = line.points[line.points.length - 1]!;
    const [first] = ahead;
    return [
      {
        line: line.key.slice(0, 160),
        title: questionTitle(model, line.asked).slice(0, 160),
        dimension: line.dimension,
        points: line.points.length,
        lastAt: last.at,
        lastValue: last.value,
        perYear: trend.perYear,
        perYearWithin: trend.perYearWithin,
        ahead: first && { limit: first.value, words: first.words, ...first.crossing },
      },
    ];
  });
}

function learn(families: readonly CountedOf[]): Learned {
  const titles: Record<string, Record<string, string>> = {};
  const learned: Record<string, FamilyRates> = {};
  for (const { profile, source, untold, cases, years, tests } of families) {
    const model = loadProfile(source, 'profile');
    titles[profile] = Object.fromEntries([
      ...model.parts.flatMap((p) => p.modes.map((m) => [`${p.id}.${m.id}`, `${p.title}: ${m.words}`])),
      ...testsOf(model).map((t) => [t.test, t.title]),
    ]);
    const group = (of: (row: { make: string; age: string | null }) => string | null): Map<string, Counted> => {
      const groups = new Map<string, Counted>();
      for (const id of new Set(years.map(of).filter((g) => g !== null && g !== '')))
        groups.set(
          id!,
          counted(
            cases.filter((c) => of(c) === id),
            years.filter((y) => of(y) === id),
          ),
        );
      return groups;
    };
    learned[profile] = learnFamily(
      assumedRates(model),
      {
        ...counted(cases, years),
        untold,
        makes: group((row) => row.make),
        ages: group((row) => row.age),
      },
      learnTests(model, tests),
    );
  }
  return { book: { format: 'zetalysis-rates/1', families: learned }, titles };
}

function counted(cases: CountedOf['cases'], years: CountedOf['years']): Counted {
  const ways = new Map<string, number>();
  for (const { way, cases: n } of cases) ways.set(way, (ways.get(way) ?? 0) + n);
  return { cases: ways, years: sum(years.map((y) => y.years)) };
}

function engineOf(source: string, build: Build): Engine {
  const key = `${buildKey(build)} ${source}`;
  const known = engines.get(key) ?? new Engine(loadProfile(source, 'profile', { build }));
  engines.delete(key);
  engines.set(key, known);
  for (const old of [...engines.keys()].slice(0, Math.max(0, engines.size - KEPT))) engines.delete(old);
  return known;
}
