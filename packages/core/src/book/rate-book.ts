import * as t from '@sinclair/typebox';
import { Value } from '@sinclair/typebox/value';
import type { RateFactors } from '../inference';
import { type LearnedRate, learnRates, sum } from './rates';

/** What was counted of machines that are alike in something: the cases by way of failing, and how long they were watched. */
export interface Counted {
  readonly cases: ReadonlyMap<string, number>;
  /** Machine years. */
  readonly years: number;
}

/** What was counted of a family: all of it, and by make and by age. */
export interface CountedFamily extends Counted {
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

/** Ages of machines that are counted together, years, from and below. */
export const AGES = [
  { id: '0-5', from: 0, below: 5 },
  { id: '5-10', from: 5, below: 10 },
  { id: '10-15', from: 10, below: 15 },
  { id: '15+', from: 15, below: Infinity },
] as const;

/** Which of them an age belongs to; nothing where it is not known. */
export const ageOf = (years: number | undefined): string | undefined =>
  years === undefined ? undefined : AGES.find(({ from, below }) => years >= from && years < below)?.id;

/**
 * Learns the rates of a family. What makes and ages differ in is learned against what the family does: a make with few machines stays
 * near its family.
 */
export function learnFamily(assumed: ReadonlyMap<string, number>, counted: CountedFamily): FamilyRates {
  const all = learnRates(assumed, counted.cases, counted.years);
  const usual = new Map([...all].map(([way, { rate: r }]) => [way, r]));
  const groups = (of: ReadonlyMap<string, Counted>): FamilyRates['makes'] =>
    Object.fromEntries(
      [...of].map(([id, { cases, years }]) => [
        id,
        { years, ways: plain(learnRates(usual, cases, years, 'as-assumed')) },
      ]),
    );
  return { years: counted.years, ways: plain(all), makes: groups(counted.makes), ages: groups(counted.ages) };
}

const plain = (rates: ReadonlyMap<string, LearnedRate>): FamilyRates['ways'] => Object.fromEntries(rates);

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
