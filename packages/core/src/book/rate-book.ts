import * as t from '@sinclair/typebox';
import { Value } from '@sinclair/typebox/value';
import type { RateFactors } from '../inference';
import { ageOf } from './grouping';
import type { LearnedTests } from './learned-tests';
import { type LearnedRate, learnRates, sum } from './rates';

/** What was counted of machines that are alike in something: the cases by way of failing, and how long they were watched. */
export interface Counted {
  readonly cases: ReadonlyMap<string, number>;
  /** Machine years. */
  readonly years: number;
}

/** What was counted of a family: all of it, and by make and by age. */
export interface CountedFamily extends Counted {
  /** Breaks of which nobody can say how it failed. */
  readonly untold: number;
  readonly makes: ReadonlyMap<string, Counted>;
  readonly ages: ReadonlyMap<string, Counted>;
}

const rate = t.Object({
  assumed: t.Number({ minimum: 0 }),
  cases: t.Number({ minimum: 0 }),
  rate: t.Number({ minimum: 0 }),
  low: t.Number({ minimum: 0 }),
  high: t.Number({ minimum: 0 }),
});
const ways = t.Record(t.String(), rate);
const group = t.Object({ years: t.Number({ minimum: 0 }), ways });

const familyRates = t.Object({
  years: t.Number({ minimum: 0 }),
  ways,
  /** Minutes of its tests, and how often looks mislead; missing in what was learned before that was. */
  tests: t.Optional(t.Object({ minutes: ways, misleads: ways })),
  makes: t.Record(t.String(), group),
  ages: t.Record(t.String(), group),
});

/** Rates of a shop, by family, way of failing, make and age; what a call pins, and what the command line reads. */
export const rateBook = t.Object({
  format: t.Literal('zetalysis-rates/1'),
  families: t.Record(t.String(), familyRates),
});

export type FamilyRates = t.Static<typeof familyRates>;
export type RateBook = t.Static<typeof rateBook>;

/**
 * Learns the rates of a family. What makes and ages differ in is learned against what the family does: a make with few machines stays
 * near its family.
 */
export function learnFamily(
  assumed: ReadonlyMap<string, number>,
  counted: CountedFamily,
  tests?: LearnedTests,
): FamilyRates {
  // Breaks that nobody could tell are as those that somebody could: so much less of the time was watched.
  const told = sum(counted.cases.values());
  const share = told > 0 ? told / (told + counted.untold) : 1;
  const all = learnRates(assumed, counted.cases, counted.years * share);
  const usual = new Map([...all].map(([way, { rate: r }]) => [way, r]));
  const groups = (of: ReadonlyMap<string, Counted>): FamilyRates['makes'] =>
    Object.fromEntries(
      [...of].map(([id, { cases, years }]) => [
        id,
        // Of what never broke on one of them the family knows as much.
        { years, ways: plain(learnRates(usual, cases, years * share, 'as-assumed'), ({ cases: n }) => n > 0) },
      ]),
    );
  return {
    years: counted.years,
    ways: plain(all),
    ...(tests && { tests: { minutes: plainOf(tests.minutes), misleads: plainOf(tests.misleads) } }),
    makes: groups(counted.makes),
    ages: groups(counted.ages),
  };
}

/** As data, as exactly as anybody could know them. */
const plain = (
  rates: ReadonlyMap<string, LearnedRate>,
  kept: (r: LearnedRate) => boolean = () => true,
): FamilyRates['ways'] =>
  Object.fromEntries(
    [...rates].flatMap(([way, r]) =>
      kept(r) ? [[way, mapped(r, (n) => Number(n.toPrecision(DIGITS)))] as const] : [],
    ),
  );
const DIGITS = 5;

const plainOf = (rates: LearnedTests['minutes']): FamilyRates['ways'] => plain(new Map(Object.entries(rates)));

const mapped = ({ assumed, cases, rate: r, low, high }: LearnedRate, to: (n: number) => number): LearnedRate => ({
  assumed: to(assumed),
  cases: to(cases),
  rate: to(r),
  low: to(low),
  high: to(high),
});

/** A machine as far as its rates depend on it. */
export interface OfMachine {
  readonly profile: string;
  readonly make?: string;
  /** Years. */
  readonly age?: number;
}

/** By what the assumed rates of a machine are multiplied; nothing is where the book does not know its family. */
export function factorsOf(book: RateBook | undefined, { profile, make, age }: OfMachine): RateFactors {
  const family = book?.families[profile];
  if (!family) return {};
  const groups = [family.makes[make ?? ''], family.ages[ageOf(age) ?? '']];
  return Object.fromEntries(
    Object.entries(family.ways).map(([way, own]) => [
      way,
      groups.reduce((at, g) => at * timesOf(g?.ways[way]), timesOf(own)),
    ]),
  );
}

const timesOf = (r: LearnedRate | undefined): number => (r && r.assumed > 0 ? r.rate / r.assumed : 1);

/** How many cases stand behind the rates of a family. */
export const casesOf = ({ ways: of }: FamilyRates): number => sum(Object.values(of).map(({ cases }) => cases));

/** Whether something that was read is a book of rates. */
export const isRateBook = (data: unknown): data is RateBook => Value.Check(rateBook, data);
