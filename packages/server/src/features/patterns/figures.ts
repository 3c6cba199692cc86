import type { Advice, Breaks, patterns, PatternsFilter, Replied, SharedBy, Trends } from '@zetalysis/contract';
import { shareOf, STAGES, standsOut, sum } from '@zetalysis/core/book';
import { can } from '@zetalysis/core/rules';
import { Problem } from '../../http/problem';
import { authorityOf } from '../session/authority';
import type { Person } from '../session/model';
import { namesOfAll } from '../session/repository';
import type { Book } from './book';
import { machineYears } from './machine-years';
import {
  adviceOf,
  type AdviceRow,
  breaksBy,
  breaksOfMakes,
  casesBehind,
  repeatsOf,
  slidingLines,
} from './repository/figures';

/** What breaks and why, the most frequent first, and series that stand out. */
export const breaks = ({ sums }: Book, filter: PatternsFilter): Promise<Breaks> =>
  sums.of('breaks', filter, () => breaksOf(filter));

async function breaksOf(filter: PatternsFilter): Promise<Breaks> {
  const [rows, makes, years, repeats] = await Promise.all([
    breaksBy(filter),
    breaksOfMakes(filter),
    machineYears(),
    repeatsOf(filter),
  ]);
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
  return {
    lines: sorted,
    total: sum(sorted.map((l) => l.cases)),
    series: series.sort((a, b) => b.cases - a.cases),
    repeats,
  };
}

/** The calls behind a figure; those of the advice on one's own calls, or for a lead on anybody's. Throws a Problem. */
export async function cases(
  person: Person,
  filter: Parameters<typeof casesBehind>[0],
): Promise<Replied<typeof patterns.cases>> {
  if (filter.figure !== undefined && filter.person !== person.id && !leads(person)) throw notYours();
  return { cases: await casesBehind(filter) };
}

const notYours = (): Problem =>
  new Problem(403, 'Not yours to see', 'Everybody sees their own calls; a lead sees those of the shop.');

/** What the advice on one's own calls was worth; on those of the shop for a lead. Throws a Problem. */
export async function advice(
  { sums }: Book,
  person: Person,
  { whose = 'mine', ...filter }: PatternsFilter & { whose?: 'mine' | 'shop' | undefined },
): Promise<Advice> {
  if (whose === 'shop' && !leads(person)) throw notYours();
  const meant = whose === 'mine' ? { ...filter, person: person.id } : filter;
  const [{ rows, groups, returns, tests, minutes, worst }, names] = await Promise.all([
    sums.of('advice', meant, () => adviceOf(meant)),
    namesOfAll(),
  ]);
  const total = (key: Exclude<keyof AdviceRow, 'profile' | 'personId'>, of: readonly AdviceRow[] = rows): number =>
    sum(of.map((r) => r[key]));
  const by = (key: (r: AdviceRow) => string, title: (id: string) => string): SharedBy[] =>
    [...new Set(rows.map(key))]
      .map((id): SharedBy => {
        const mine = rows.filter((r) => key(r) === id);
        const plannedOf = total('plannedOf', mine);
        return {
          id,
          title: title(id),
          right: shareOf(total('watchedRight', mine), total('watchedOf', mine)),
          minutes: total('minutes', mine) / total('of', mine),
          planned: plannedOf === 0 ? null : total('planned', mine) / plannedOf,
        };
      })
      .sort((a, b) => b.right.of - a.right.of);
  const of = total('of');
  return {
    whose,
    of,
    stages: STAGES.map((stage) => ({ stage, right: shareOf(total(`${stage}Right`), total(`${stage}Of`)) })),
    lasting: shareOf(total('old') - total('cameBack'), total('old')),
    returns,
    groups: groups.map((g) => ({ group: g.group, said: g.said, was: shareOf(g.rightly, g.of) })),
    tests: spreadOf(of, tests),
    minutes: spreadOf(of, minutes),
    cannot: total('cannot'),
    willNot: total('willNot'),
    fitted: total('fitted'),
    unproved: total('unproved'),
    inVain: total('inVain'),
    moreTests: total('moreTests'),
    families: by(
      (r) => r.profile,
      (id) => id,
    ),
    people:
      whose === 'shop'
        ? by(
            (r) => r.personId,
            (id) => names.get(id) ?? '',
          )
        : [],
    seasons: by(
      (r) => `${r.season}/${String(r.season + 1).slice(2)}`,
      (id) => id,
    ),
    worst: worst.map((w) => ({ ...w, said: Number(w.said) })),
  };
}

/** The middle of what it took and of what was planned, and what four of five did not go beyond. */
function spreadOf(of: number, often: Awaited<ReturnType<typeof adviceOf>>['tests']): Advice['tests'] {
  const at = (share: number, value: (o: (typeof often)[number]) => number | null): number | null => {
    const known = often
      .flatMap((o) => (value(o) === null ? [] : [{ value: value(o)!, n: o.n }]))
      .sort((a, b) => a.value - b.value);
    const wanted = share * sum(known.map((k) => k.n));
    let seen = 0;
    return known.find(({ n }) => (seen += n) >= wanted)?.value ?? null;
  };
  return { of, median: at(0.5, (o) => o.value), most: at(0.8, (o) => o.value), planned: at(0.5, (o) => o.planned) };
}

/** What slides, over all machines: the nearest crossing first. */
export const trends = async (filter: PatternsFilter): Promise<Trends> => ({ lines: await slidingLines(filter) });

/** Means of fewer gaps say nothing. */
const FEWEST_GAPS = 5;

export const leads = (person: Person): boolean => can(authorityOf(person), 'rates') === '+';
