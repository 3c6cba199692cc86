import type { PatternsFilter, Trends } from '@zetalysis/contract';
import { CALLBACK_WITHIN_DAYS } from '@zetalysis/core/history';
import { type CreationAttributes, QueryTypes } from 'sequelize';
import { v7 } from 'uuid';
import { retried } from '../../db/retry';
import type { CountedTest, TestFact } from '@zetalysis/core/book';
import type { MachineLine } from './facts';
import {
  StoredFacts,
  StoredLine,
  StoredLinesRead,
  StoredPublication,
  StoredRates,
  StoredTest,
  StoredWay,
} from './model';

const select = <R extends object>(sql: string, replacements: Record<string, unknown> = {}): Promise<R[]> =>
  StoredFacts.sequelize!.query<R>(sql, { replacements, type: QueryTypes.SELECT });

/** Calls that are closed, and of which the book does not know the newest entry. */
const UNREAD = `FROM overviews o LEFT JOIN case_facts f FORCE INDEX (case_facts_read) ON f.callId = o.callId
  WHERE o.open = 0 AND (f.callId IS NULL OR f.upTo < o.upTo)`;

/** The next ones to be read, family by family: its engine is warm then. */
export const unreadCalls = async (most: number): Promise<{ callId: string; upTo: number }[]> =>
  select(
    `SELECT u.callId, u.upTo FROM (SELECT o.callId, o.upTo, o.openedAt ${UNREAD}) u JOIN calls c ON c.id = u.callId
      ORDER BY c.profile, c.profileVersion, u.openedAt DESC, u.callId LIMIT :most`,
    { most },
  );

/** Keeps what a call is worth, in place of what was kept of it. */
export const keepFacts = (
  facts: CreationAttributes<StoredFacts>,
  ways: Readonly<Record<string, number>>,
  tests: readonly TestFact[],
): Promise<void> =>
  retried(StoredFacts.sequelize!, async (transaction) => {
    const { callId, profile, make, age } = facts;
    await StoredTest.destroy({ where: { callId }, transaction });
    await StoredWay.destroy({ where: { callId }, transaction });
    await StoredFacts.destroy({ where: { callId }, transaction });
    const rows = Object.entries(ways).map(([way, share]) => ({ callId, way, share, profile, make, age }));
    await StoredFacts.create({ ...facts, told: rows.length > 0 }, { transaction });
    if (rows.length > 0) await StoredWay.bulkCreate(rows, { transaction });
    const timed = tests.map(({ test, minutes = null, misled = null }, number) => ({
      callId,
      number,
      profile,
      test: test.slice(0, 120),
      minutes,
      misled,
    }));
    if (timed.length > 0) await StoredTest.bulkCreate(timed, { transaction });
  });

/** Machines of which calls were read since their readings were looked at. */
const UNREAD_MACHINES = `FROM (SELECT machineId, SUM(upTo) AS stamp FROM case_facts WHERE machineId IS NOT NULL GROUP BY machineId) n
  LEFT JOIN machine_lines_read r ON r.machineId = n.machineId WHERE r.stamp IS NULL OR r.stamp <> n.stamp`;

export const unreadMachines = async (most: number): Promise<{ machineId: string; stamp: number }[]> =>
  (
    await select<{ machineId: string; stamp: number | string }>(
      `SELECT n.machineId, n.stamp ${UNREAD_MACHINES} LIMIT :most`,
      {
        most,
      },
    )
  ).map(({ machineId, stamp }) => ({ machineId, stamp: Number(stamp) }));

/** Keeps where the readings of a machine go, in place of what was kept of it. */
export const keepLines = (machineId: string, stamp: number, lines: readonly MachineLine[]): Promise<void> =>
  retried(StoredLine.sequelize!, async (transaction) => {
    await StoredLine.destroy({ where: { machineId }, transaction });
    await StoredLine.bulkCreate(
      lines.map(({ ahead, lastAt, ...line }) => ({
        ...line,
        machineId,
        lastAt: new Date(lastAt),
        limitValue: ahead?.limit ?? null,
        words: ahead?.words ?? null,
        earliest: ahead ? new Date(ahead.earliest) : null,
        latest: ahead ? new Date(ahead.latest) : null,
      })),
      { transaction },
    );
    await StoredFacts.sequelize!.query(
      `UPDATE case_facts f JOIN (
         SELECT callId, DATEDIFF(openedAt, LAG(openedAt) OVER (PARTITION BY title ORDER BY openedAt)) AS gap
           FROM case_facts WHERE machineId = :machineId) g ON g.callId = f.callId
          SET f.gap = g.gap, f.cameBack = ${CAME_BACK}`,
      { replacements: { machineId }, transaction },
    );
    await StoredLinesRead.upsert({ machineId, stamp }, { transaction });
  });

/** Somebody came to the machine again within so many days. */
const CAME_BACK = `EXISTS (SELECT 1 FROM calls b WHERE b.machineId = f.machineId AND b.createdAt > f.openedAt
  AND b.createdAt <= f.openedAt + INTERVAL ${CALLBACK_WITHIN_DAYS} DAY)`;

type LineRow = Omit<Trends['lines'][number], 'lastAt' | 'earliest' | 'latest'> & {
  readonly lastAt: Date;
  readonly earliest: Date | null;
  readonly latest: Date | null;
};

/** What slides on machines that are kept, the nearest crossing first. */
export async function slidingLines({ profile, make, site }: PatternsFilter): Promise<Trends['lines']> {
  const rows = await select<LineRow>(
    `SELECT l.machineId AS machine, m.label, m.site, m.profile, l.line, l.title, l.dimension, l.points, l.lastAt, l.lastValue, l.perYear,
            l.perYearWithin, l.limitValue AS \`limit\`, l.words, l.earliest, l.latest
       FROM machine_lines l JOIN machines m ON m.id = l.machineId
      WHERE m.retired IS NULL AND m.mergedInto IS NULL
        ${profile === undefined ? '' : 'AND m.profile = :profile'} ${make === undefined ? '' : 'AND m.make = :make'}
        ${site === undefined ? '' : 'AND m.site = :site'}
      ORDER BY l.earliest IS NULL, l.earliest, m.site, m.label LIMIT 300`,
    { profile, make, site },
  );
  const iso = (at: Date | null): string | null => at && new Date(at).toISOString();
  return rows.map((r) => ({ ...r, lastAt: iso(r.lastAt)!, earliest: iso(r.earliest), latest: iso(r.latest) }));
}

interface StandingRow {
  readonly calls: number | string;
  readonly breaks: number | string | null;
  readonly machines: number | string;
  readonly first: Date | null;
  readonly last: Date | null;
}

/** What the book holds. */
export async function bookStanding() {
  const [[row], [unread], profiles, makes, sites, people] = await Promise.all([
    select<StandingRow>(
      `SELECT COUNT(*) AS calls, SUM(part IS NOT NULL AND part <> 'none') AS breaks, (SELECT COUNT(*) FROM (SELECT DISTINCT machineId FROM case_facts WHERE machineId IS NOT NULL) d) AS machines,
              MIN(openedAt) AS first, MAX(openedAt) AS last FROM case_facts`,
    ),
    select<{ unread: number | string }>(
      `SELECT (SELECT COUNT(*) ${UNREAD}) + (SELECT COUNT(*) ${UNREAD_MACHINES}) AS unread`,
    ),
    select<{ profile: string }>('SELECT DISTINCT profile FROM case_facts ORDER BY profile'),
    select<{ make: string }>("SELECT DISTINCT make FROM case_facts WHERE make <> '' ORDER BY make"),
    select<{ site: string }>(
      `SELECT DISTINCT m.site FROM machines m JOIN (SELECT DISTINCT machineId FROM case_facts) f ON f.machineId = m.id
        WHERE m.site <> '' ORDER BY m.site`,
    ),
    select<{ id: string; name: string }>(
      `SELECT p.id, p.fullName AS name FROM people p
         JOIN (SELECT DISTINCT personId FROM case_facts FORCE INDEX (case_facts_person)) f ON f.personId = p.id ORDER BY p.fullName`,
    ),
  ]);
  return {
    calls: Number(row!.calls),
    breaks: Number(row!.breaks ?? 0),
    machines: Number(row!.machines),
    unread: Number(unread!.unread),
    from: row!.first && new Date(row!.first).toISOString(),
    to: row!.last && new Date(row!.last).toISOString(),
    profiles: profiles.map((r) => r.profile),
    makes: makes.map((r) => r.make),
    sites: sites.map((r) => r.site),
    people,
  };
}

/** The calls that are meant, as a condition on `f` and `m`. */
function meant({ profile, make, site, age, person, from, until }: PatternsFilter): {
  readonly sql: string;
  readonly values: Record<string, unknown>;
} {
  const parts = [
    profile !== undefined && 'f.profile = :profile',
    make !== undefined && 'f.make = :make',
    age !== undefined && 'f.age = :age',
    site !== undefined && 'm.site = :site',
    person !== undefined && 'f.personId = :person',
    from !== undefined && 'f.openedAt >= :from',
    until !== undefined && 'f.openedAt < :until',
  ].filter((p) => p !== false);
  const values = { profile, make, site, age, person, from, until };
  return { sql: parts.length === 0 ? '' : `AND ${parts.join(' AND ')}`, values };
}

const FACTS = 'FROM case_facts f LEFT JOIN machines m ON m.id = f.machineId';
/** Sums are made from the indexes alone where nothing of the machine is asked for. */
const factsOf = ({ site }: PatternsFilter): string => (site === undefined ? 'FROM case_facts f' : FACTS);
const BROKE = "f.part IS NOT NULL AND f.part <> 'none'";

interface BreakRow {
  readonly part: string;
  readonly title: string;
  readonly cause: string;
  readonly causeTitle: string;
  readonly cases: number;
  readonly proved: number;
  readonly recent: number;
  readonly before: number;
}

/** Breaks by what broke and what was its cause. */
export async function breaksBy(filter: PatternsFilter): Promise<BreakRow[]> {
  const { sql, values } = meant(filter);
  const end = filter.until ?? new Date().toISOString().slice(0, 10);
  const rows = await select<BreakRow>(
    `SELECT MIN(f.part) AS part, f.title, MIN(f.cause) AS cause, f.causeTitle, COUNT(*) AS cases, SUM(f.standing = 'proved') AS proved,
            SUM(f.openedAt >= :end - INTERVAL 1 YEAR) AS recent,
            SUM(f.openedAt < :end - INTERVAL 1 YEAR AND f.openedAt >= :end - INTERVAL 2 YEAR) AS \`before\`
       ${factsOf(filter)} WHERE ${BROKE} ${sql} GROUP BY f.title, f.causeTitle`,
    { ...values, end },
  );
  return rows.map((r) => ({
    ...r,
    cases: Number(r.cases),
    proved: Number(r.proved),
    recent: Number(r.recent),
    before: Number(r.before),
  }));
}

export interface SeriesRow {
  readonly profile: string;
  readonly make: string;
  readonly part: string;
  readonly title: string;
  readonly cases: number;
  readonly gaps: number;
  readonly between: number | null;
}

/** Breaks by make of each family, with the mean time from one to the next on the same machine, days. */
export async function breaksOfMakes(filter: PatternsFilter): Promise<SeriesRow[]> {
  const { sql, values } = meant(filter);
  const rows = await select<SeriesRow>(
    `SELECT f.profile, f.make, MIN(f.part) AS part, f.title, COUNT(*) AS cases, COUNT(f.gap) AS gaps, AVG(f.gap) AS \`between\`
       ${factsOf(filter)} WHERE ${BROKE} AND f.make <> '' ${sql} GROUP BY f.profile, f.make, f.title`,
    values,
  );
  return rows.map((r) => ({
    ...r,
    cases: Number(r.cases),
    gaps: Number(r.gaps),
    between: r.between === null ? null : Number(r.between),
  }));
}

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

interface CaseRow {
  readonly call: string;
  readonly machine: string | null;
  readonly openedAt: Date;
  readonly profile: string;
  readonly person: string;
  readonly title: string;
  readonly cause: string;
  readonly standing: string;
}

/** As many calls as stand behind a figure are shown. */
const MOST = 300;

/** The calls behind a figure, the newest first. */
export async function casesBehind(
  filter: PatternsFilter & {
    readonly part?: string | undefined;
    readonly cause?: string | undefined;
    readonly way?: string | undefined;
  },
): Promise<(Omit<CaseRow, 'openedAt'> & { openedAt: string })[]> {
  const { sql, values } = meant(filter);
  const { part, cause, way } = filter;
  const more = [
    part !== undefined && 'f.title = :part',
    cause !== undefined && 'f.causeTitle = :cause',
    way !== undefined && 'EXISTS (SELECT 1 FROM case_ways w WHERE w.callId = f.callId AND w.way = :way)',
  ].filter((p) => p !== false);
  const rows = await select<CaseRow>(
    `SELECT f.callId AS \`call\`, m.label AS machine, f.openedAt, f.profile, p.fullName AS person, f.title, f.causeTitle AS cause, f.standing
       ${FACTS} JOIN people p ON p.id = f.personId WHERE ${BROKE} ${sql} ${more.map((c) => `AND ${c}`).join(' ')}
       ORDER BY f.openedAt DESC, f.callId LIMIT ${MOST}`,
    { ...values, part, cause, way },
  );
  return rows.map((r) => ({ ...r, openedAt: new Date(r.openedAt).toISOString() }));
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
    `SELECT f.callId, f.profile, f.make, f.age, f.openedAt, f.watched, f.repairs, m.label AS machine ${FACTS}
      WHERE f.watched IS NOT NULL AND JSON_LENGTH(f.watched) > 0 ORDER BY f.openedAt DESC LIMIT ${REVIEWED}`,
  );
  const read = (value: unknown): unknown => (typeof value === 'string' ? (JSON.parse(value) as unknown) : value);
  return rows.map((r) => ({ ...r, watched: read(r['watched']), repairs: read(r['repairs']) })) as never;
}

const RIGHT = ['complaint', 'watched', 'half', 'end'] as const;
const counts = RIGHT.map((s) => `SUM(f.${s}Right) AS ${s}Right, COUNT(f.${s}Right) AS ${s}Of`).join(', ');
/** Only of calls that are old enough it is known that nobody came back. */
const OLD = `f.machineId IS NOT NULL AND f.openedAt < NOW() - INTERVAL ${CALLBACK_WITHIN_DAYS} DAY`;

/** What the advice came to on the calls of a family, of one person and one season, as sums. */
export type AdviceRow = Readonly<Record<AdviceSum, number>> & {
  readonly profile: string;
  readonly personId: string;
  /** The year in which it began, in July. */
  readonly season: number;
};
type AdviceSum =
  | 'of'
  | `${(typeof RIGHT)[number]}${'Right' | 'Of'}`
  | 'minutes'
  | 'planned'
  | 'plannedOf'
  | 'cannot'
  | 'willNot'
  | 'fitted'
  | 'unproved'
  | 'inVain'
  | 'old'
  | 'cameBack';

/** How often something took so much. */
interface Often {
  readonly value: number | null;
  readonly planned: number | null;
  readonly n: number;
}

/** What the advice of some calls came to: sums, what was said beside what was, how much it took, and where it was most wrong. */
export async function adviceOf(filter: PatternsFilter) {
  const { sql, values } = meant(filter);
  const where = `WHERE ${BROKE} ${sql}`;
  const facts = factsOf(filter);
  const often = (value: string, planned: string): Promise<Often[]> =>
    select<Often>(
      `SELECT ${value} AS value, ${planned} AS planned, COUNT(*) AS n ${facts} ${where} AND f.tests > 0 AND f.plannedTests IS NOT NULL
          AND f.standing = 'proved' GROUP BY value, planned`,
      values,
    ).then((rows) => rows.map((r) => ({ value: orNull(r.value), planned: orNull(r.planned), n: Number(r.n) })));
  const [sums, groups, tests, minutes, worst] = await Promise.all([
    select<Record<string, string | number | null>>(
      `SELECT f.profile, f.personId, YEAR(f.openedAt - INTERVAL 6 MONTH) AS season, COUNT(*) AS \`of\`, ${counts}, SUM(f.minutes) AS minutes,
              SUM(f.plannedMinutes) AS planned, COUNT(f.plannedMinutes) AS plannedOf, SUM(f.cannot) AS cannot, SUM(f.willNot) AS willNot,
              SUM(f.fitted) AS fitted, SUM(f.unproved) AS unproved, SUM(f.inVain) AS inVain, SUM(${OLD}) AS old, SUM(${OLD} AND f.cameBack) AS cameBack
         ${facts} ${where} GROUP BY f.profile, f.personId, season`,
      values,
    ),
    select<{ said: number; of: number | string; rightly: number | string }>(
      `SELECT LEAST(6, FLOOR(f.watchedSaid * 7)) AS bin, AVG(f.watchedSaid) AS said, COUNT(*) AS \`of\`, SUM(f.watchedRight) AS rightly
         ${facts} ${where} AND f.watchedRight IS NOT NULL GROUP BY bin ORDER BY bin`,
      values,
    ),
    often('f.tests', 'f.plannedTests'),
    often('ROUND(f.minutes)', 'ROUND(f.plannedMinutes)'),
    select<{ call: string; machine: string | null; title: string; said: number }>(
      `SELECT f.callId AS \`call\`, m.label AS machine, f.title, f.watchedSaid AS said ${FACTS} ${where}
        AND f.watchedRight = 0 ORDER BY f.watchedSaid DESC LIMIT 3`,
      values,
    ),
  ]);
  return {
    sums: sums.map(({ profile, personId, ...rest }): AdviceRow => {
      const numbers = Object.fromEntries(Object.entries(rest).map(([k, v]) => [k, Number(v ?? 0)]));
      return { profile: String(profile), personId: String(personId), ...numbers } as AdviceRow;
    }),
    groups: groups.map(({ said, of, rightly }) => ({ said: Number(said), of: Number(of), rightly: Number(rightly) })),
    tests,
    minutes,
    worst,
  };
}

const orNull = (value: number | string | null): number | null => (value === null ? null : Number(value));

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
