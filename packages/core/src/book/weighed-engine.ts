import { Engine } from '../diagnosis';
import type { Model } from '../profile';
import { factorsOf, type OfMachine, type RateBook } from './rate-book';
import { withLearnedTests } from './learned-tests';

/** Rates of a shop, and the machine that they are for. */
export interface Weighed {
  readonly book: RateBook;
  readonly of: OfMachine;
}

/** An engine that weighs by what a shop has learned: how often things fail, how long its tests take, how often looks mislead. */
export function weighedEngine(model: Model, { book, of }: Weighed): Engine {
  const tests = book.families[of.profile]?.tests;
  return new Engine(tests ? withLearnedTests(model, tests) : model, factorsOf(book, of));
}
