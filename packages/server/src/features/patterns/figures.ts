import type { Advice, Breaks, patterns, PatternsFilter, Replied, SharedBy, Trends } from '@zetalysis/contract';
import { shareOf, STAGES, standsOut, sum } from '@zetalysis/core/book';
import { can } from '@zetalysis/core/rules';
import { Problem } from '../../http/problem';
import { authorityOf } from '../session/authority';
import type { Person } from '../session/model';
import { machineYears } from './machine-years';
import { adviceOf, type AdviceRow, breaksBy, breaksOfMakes, casesBehind, slidingLines } from './repository';

/** What breaks and why, the most frequent first, and series that stand out. */
export async function breaks(filter: PatternsFilter): Promise<Breaks> {
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

/** The calls behind a figure. */
export const cases = async (filter: Parameters<typeof casesBehind>[0]): Promise<Replied<typeof patterns.cases>> => ({
  cases: await casesBehind(filter),
});

/** What the advice on one's own calls was worth; on those of the shop for a lead. Throws a Problem. */
export async function advice(
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

/** What slides, over all machines: the nearest crossing first. */
export const trends = async (filter: PatternsFilter): Promise<Trends> => ({ lines: await slidingLines(filter) });

const orNothing = (value: number | string | null | undefined): number | null =>
  value === null || value === undefined ? null : Number(value);

/** Means of fewer gaps say nothing. */
const FEWEST_GAPS = 5;

export const leads = (person: Person): boolean => can(authorityOf(person), 'rates') === '+';
