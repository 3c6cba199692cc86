import type { CountedTest } from '@zetalysis/core/book';
import { v7 } from 'uuid';
import { type StoredFacts, StoredPublication, StoredRates } from '../model';
import { BROKE, select } from './select';

interface WatchedMachine {
  readonly profile: string;
  readonly make: string;
  readonly made: string | null;
  readonly since: Date;
}

/** Every machine with the day since which it is known. */
export const machinesWatched = (): Promise<WatchedMachine[]> =>
  select(
    `SELECT m.profile, m.make, JSON_VALUE(m.sheet, '$.made') AS made, LEAST(m.createdAt, COALESCE(c.first, m.createdAt)) AS since
       FROM machines m LEFT JOIN (SELECT machineId, MIN(openedAt) AS first FROM case_facts GROUP BY machineId) c ON c.machineId = m.id
      WHERE m.mergedInto IS NULL`,
  );

interface CountedRow {
  readonly profile: string;
  readonly make: string;
  readonly age: string | null;
  readonly way: string;
  readonly cases: number;
}

/** Cases of each way of failing, by family, make and age. */
export async function countedCases(): Promise<CountedRow[]> {
  const rows = await select<CountedRow>(
    'SELECT profile, make, age, way, SUM(share) AS cases FROM case_ways GROUP BY profile, make, age, way',
  );
  return rows.map((r) => ({ ...r, cases: Number(r.cases) }));
}

/** How the tests of each family went, summed over all calls. */
export async function countedTests(): Promise<(CountedTest & { profile: string })[]> {
  const rows = await select<Record<string, string | number | null>>(
    `SELECT profile, test, COUNT(minutes) AS timed, SUM(LN(minutes)) AS logMinutes, COUNT(misled) AS held, SUM(misled) AS misled
       FROM case_tests GROUP BY profile, test`,
  );
  return rows.map(({ profile, test, timed, logMinutes, held, misled }) => ({
    profile: String(profile),
    test: String(test),
    timed: Number(timed),
    logMinutes: Number(logMinutes ?? 0),
    held: Number(held),
    misled: Number(misled ?? 0),
  }));
}

/** Breaks of which nobody can say how it failed, by family. */
export async function untoldBreaks(): Promise<ReadonlyMap<string, number>> {
  const rows = await select<{ profile: string; untold: number | string }>(
    `SELECT f.profile, COUNT(*) AS untold FROM case_facts f WHERE ${BROKE}
        AND f.told = 0 GROUP BY f.profile`,
  );
  return new Map(rows.map((r) => [r.profile, Number(r.untold)]));
}

/** So many of the newest calls are looked at for what other rates would have said. */
const REVIEWED = 2000;

/** Calls on which a try was watched, with what was believed then. */
export async function watchedCases(): Promise<
  (Pick<StoredFacts, 'callId' | 'profile' | 'make' | 'age' | 'openedAt'> & {
    machine: string | null;
    watched: NonNullable<StoredFacts['watched']>;
    repairs: readonly string[];
  })[]
> {
  const rows = await select<Record<string, unknown>>(
    `SELECT f.callId, f.profile, f.make, f.age, f.openedAt, f.watched, f.repairs, m.label AS machine FROM case_facts f LEFT JOIN machines m ON m.id = f.machineId
      WHERE f.watched IS NOT NULL AND JSON_LENGTH(f.watched) > 0 ORDER BY f.openedAt DESC LIMIT ${REVIEWED}`,
  );
  const read = (value: unknown): unknown => (typeof value === 'string' ? (JSON.parse(value) as unknown) : value);
  return rows.map((r) => ({ ...r, watched: read(r['watched']), repairs: read(r['repairs']) })) as never;
}

/** The newest versions of the rates, without what they hold. */
export const rateVersions = (): Promise<StoredRates[]> =>
  StoredRates.findAll({ attributes: { exclude: ['book'] }, order: [['version', 'DESC']], limit: 60 });

export const ratesWith = (version: number): Promise<StoredRates | null> => StoredRates.findByPk(version);

export const addRates = (row: { byId: string; words: string; cases: number; book: string }): Promise<StoredRates> =>
  StoredRates.create(row);

/** What was published, the newest first. */
export const publications = (): Promise<StoredPublication[]> =>
  StoredPublication.findAll({
    order: [
      ['createdAt', 'DESC'],
      ['id', 'DESC'],
    ],
    limit: 200,
  });

export const addPublication = (row: {
  version: number | null;
  byId: string;
  words: string;
}): Promise<StoredPublication> => StoredPublication.create({ id: v7(), ...row });
