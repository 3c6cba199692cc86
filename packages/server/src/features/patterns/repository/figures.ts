import type { PatternsFilter, Trends } from '@zetalysis/contract';
import {
  type AdviceFigure,
  CAME_BACK_FOR,
  type CameBackFor,
  SAID_GROUPS,
  type Stage,
  STAGES,
  type Repeats,
} from '@zetalysis/core/book';
import { CALLBACK_WITHIN_DAYS } from '@zetalysis/core/history';
import { BROKE, select } from './select';

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

interface StandingRow {
  readonly calls: number | string;
  readonly breaks: number | string | null;
  readonly machines: number | string;
  readonly first: Date | null;
  readonly last: Date | null;
}

/** What the book holds of the calls that were read. */
export async function bookHolds() {
  const [[row], profiles, makes, sites, people] = await Promise.all([
    select<StandingRow>(
      `SELECT COUNT(*) AS calls, SUM(part IS NOT NULL AND part <> 'none') AS breaks, (SELECT COUNT(*) FROM (SELECT DISTINCT machineId FROM case_facts WHERE machineId IS NOT NULL) d) AS machines,
              MIN(openedAt) AS first, MAX(openedAt) AS last FROM case_facts`,
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
    from: row!.first && new Date(row!.first).toISOString(),
    to: row!.last && new Date(row!.last).toISOString(),
    profiles: profiles.map((r) => r.profile),
    makes: makes.map((r) => r.make),
    sites: sites.map((r) => r.site),
    people,
  };
}

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

/** How often it was the same again where somebody came back, of those calls of which it is known why. */
export async function repeatsOf(filter: PatternsFilter): Promise<Repeats> {
  const { sql, values } = meant(filter);
  const [row] = await select<{ same: number | string | null; of: number | string }>(
    `SELECT SUM(f.backFor IN ('again', 'cause', 'unproved')) AS same, COUNT(*) AS \`of\`
       ${factsOf(filter)} WHERE ${BROKE} AND f.backFor IS NOT NULL AND f.backFor <> 'unknown' ${sql}`,
    values,
  );
  return { same: Number(row!.same ?? 0), of: Number(row!.of) };
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

/** Only of calls that are old enough it is known that nobody came back. */
const OLD = `f.machineId IS NOT NULL AND f.openedAt < NOW() - INTERVAL ${CALLBACK_WITHIN_DAYS} DAY`;
const BACK = `${OLD} AND f.cameBack`;
const MORE_TESTS = "f.standing = 'proved' AND f.tests > f.plannedTests";
/** In which group what was said of the first suspect falls. */
const SAID = `LEAST(${SAID_GROUPS - 1}, FLOOR(f.watchedSaid * ${SAID_GROUPS}))`;

/** What each figure of the advice counts, as a condition on `f`. */
const FIGURES: ReadonlyMap<AdviceFigure, string> = new Map([
  ...STAGES.map((stage) => [`${stage}-wrong`, `f.${stage}Right = 0`] as const),
  ['watched', 'f.watchedRight IS NOT NULL'],
  ['fitted', 'f.fitted > 0'],
  ['unproved', 'f.unproved > 0'],
  ['in-vain', 'f.inVain > 0'],
  ['cannot', 'f.cannot > 0'],
  ['will-not', 'f.willNot > 0'],
  ['more-tests', MORE_TESTS],
  ['back', BACK],
  ...CAME_BACK_FOR.map((why) => [`back-${why}`, `${BACK} AND f.backFor = '${why}'`] as const),
  ...Array.from(
    { length: SAID_GROUPS },
    (_, i) => [`said-${i}`, `f.watchedRight IS NOT NULL AND ${SAID} = ${i}`] as const,
  ),
]);

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
    readonly test?: string | undefined;
    readonly figure?: AdviceFigure | undefined;
  },
): Promise<(Omit<CaseRow, 'openedAt'> & { openedAt: string })[]> {
  const { sql, values } = meant(filter);
  const { part, cause, way, test, figure } = filter;
  const more = [
    part !== undefined && 'f.title = :part',
    cause !== undefined && 'f.causeTitle = :cause',
    way !== undefined && 'EXISTS (SELECT 1 FROM case_ways w WHERE w.callId = f.callId AND w.way = :way)',
    test !== undefined && 'EXISTS (SELECT 1 FROM case_tests x WHERE x.callId = f.callId AND x.test = :test)',
    figure !== undefined && FIGURES.get(figure),
  ].filter((p) => p !== false);
  // The newest are found by the index of the days alone, and only then joined with what is shown of them.
  const rows = await select<CaseRow>(
    `SELECT f.callId AS \`call\`, m.label AS machine, f.openedAt, f.profile, p.fullName AS person, f.title, f.causeTitle AS cause, f.standing
       FROM (SELECT f.callId ${factsOf(filter)} WHERE ${BROKE} ${sql} ${more.map((c) => `AND ${c}`).join(' ')}
              ORDER BY f.openedAt DESC, f.callId DESC LIMIT ${MOST}) n
       JOIN case_facts f ON f.callId = n.callId LEFT JOIN machines m ON m.id = f.machineId JOIN people p ON p.id = f.personId
       ORDER BY f.openedAt DESC, f.callId DESC`,
    { ...values, part, cause, way, test },
  );
  return rows.map((r) => ({ ...r, openedAt: new Date(r.openedAt).toISOString() }));
}

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

const counts = STAGES.map((s) => `SUM(f.${s}Right) AS ${s}Right, COUNT(f.${s}Right) AS ${s}Of`).join(', ');
/** What the advice came to on the calls of a family, of one person and one season, as sums. */
export type AdviceRow = Readonly<Record<AdviceSum, number>> & {
  readonly profile: string;
  readonly personId: string;
  /** The year in which it began, in July. */
  readonly season: number;
};
type AdviceSum =
  | 'of'
  | `${Stage}${'Right' | 'Of'}`
  | 'minutes'
  | 'planned'
  | 'plannedOf'
  | 'cannot'
  | 'willNot'
  | 'fitted'
  | 'unproved'
  | 'inVain'
  | 'moreTests'
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
  const [rows, groups, returns, tests, minutes, worst] = await Promise.all([
    select<Record<string, string | number | null>>(
      `SELECT f.profile, f.personId, YEAR(f.openedAt - INTERVAL 6 MONTH) AS season, COUNT(*) AS \`of\`, ${counts}, SUM(f.minutes) AS minutes,
              SUM(f.plannedMinutes) AS planned, COUNT(f.plannedMinutes) AS plannedOf, SUM(f.cannot) AS cannot, SUM(f.willNot) AS willNot,
              SUM(f.fitted) AS fitted, SUM(f.unproved) AS unproved, SUM(f.inVain) AS inVain, SUM(${MORE_TESTS}) AS moreTests, SUM(${OLD}) AS old, SUM(${BACK}) AS cameBack
         ${facts} ${where} GROUP BY f.profile, f.personId, season`,
      values,
    ),
    select<{ bin: number; said: number; of: number | string; rightly: number | string }>(
      `SELECT ${SAID} AS bin, AVG(f.watchedSaid) AS said, COUNT(*) AS \`of\`, SUM(f.watchedRight) AS rightly
         ${facts} ${where} AND f.watchedRight IS NOT NULL GROUP BY bin ORDER BY bin`,
      values,
    ),
    select<{ why: CameBackFor; cases: number | string }>(
      `SELECT f.backFor AS why, COUNT(*) AS cases ${facts} ${where} AND ${BACK} AND f.backFor IS NOT NULL GROUP BY f.backFor ORDER BY cases DESC, why`,
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
    rows: rows.map(({ profile, personId, ...rest }): AdviceRow => {
      const numbers = Object.fromEntries(Object.entries(rest).map(([k, v]) => [k, Number(v ?? 0)]));
      return { profile: String(profile), personId: String(personId), ...numbers } as AdviceRow;
    }),
    groups: groups.map(({ bin, said, of, rightly }) => ({
      group: Number(bin),
      said: Number(said),
      of: Number(of),
      rightly: Number(rightly),
    })),
    returns: returns.map(({ why, cases }) => ({ why, cases: Number(cases) })),
    tests,
    minutes,
    worst,
  };
}

const orNull = (value: number | string | null): number | null => (value === null ? null : Number(value));
