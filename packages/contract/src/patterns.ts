import * as t from '@sinclair/typebox';
import {
  ADVICE_FIGURES,
  type AdviceFigure,
  CAME_BACK_FOR,
  type CameBackFor,
  rateBook,
  STAGES,
} from '@zetalysis/core/book';
import type { Dimension } from '@zetalysis/core/units';
import { uuid } from '@zetalysis/core/visit';
import { endpoint } from './endpoint';
import { day, moment, nullable, profileId, trimmed } from './fields';

const count = t.Number({ minimum: 0 });
const words = t.String();

/** Which calls are meant; all of them where nothing is said. */
const filter = t.Object({
  profile: t.Optional(profileId),
  make: t.Optional(t.String({ maxLength: 60 })),
  site: t.Optional(t.String({ maxLength: 120 })),
  age: t.Optional(t.String({ maxLength: 10 })),
  person: t.Optional(uuid),
  /** Opened on or after this day, and before that one. */
  from: t.Optional(day),
  until: t.Optional(day),
});

const standing = t.Object({
  /** Calls that are read into the book, those that are closed and not read yet, and machines that were watched. */
  calls: t.Integer(),
  unread: t.Integer(),
  breaks: t.Integer(),
  machines: t.Integer(),
  from: nullable(moment),
  to: nullable(moment),
  /** What there is to filter by. */
  profiles: t.Array(words),
  makes: t.Array(words),
  sites: t.Array(words),
  people: t.Array(t.Object({ id: uuid, name: words })),
});

const line = t.Object({
  part: words,
  title: words,
  cases: t.Integer(),
  /** The part itself had failed; in the others it acted rightly, or the cause lies elsewhere. */
  itself: t.Integer(),
  proved: t.Integer(),
  /** In the last twelve months of those that are asked for, and in the twelve before. */
  recent: t.Integer(),
  before: t.Integer(),
  causes: t.Array(t.Object({ part: words, title: words, cases: t.Integer() })),
});

const series = t.Object({
  make: words,
  profile: profileId,
  part: words,
  title: words,
  cases: t.Integer(),
  /** What would be expected of so many machine years of its family. */
  expected: count,
  /** Mean time from one of them to the next on the same machine, days; nothing under five times. */
  between: nullable(count),
});

const breaks = t.Object({
  lines: t.Array(line),
  total: t.Integer(),
  series: t.Array(series),
  /** Of calls after which somebody came back and it is known why: on so many it was what had been left behind. */
  repeats: t.Object({ same: t.Integer(), of: t.Integer() }),
});

const seen = t.Object({
  call: uuid,
  machine: nullable(words),
  openedAt: moment,
  profile: profileId,
  person: words,
  title: words,
  cause: words,
  standing: words,
});

/** What was learned of how many cases, beside what is assumed; nine in ten between the ends. */
const learned = {
  profile: profileId,
  title: words,
  cases: count,
  assumed: count,
  rate: count,
  low: count,
  high: count,
};

/** By a hundred machines and year. */
const rateLine = t.Object({ ...learned, way: words });

const version = t.Object({
  version: t.Integer(),
  by: words,
  at: moment,
  words,
  cases: count,
  /** When it was last published; nothing for a draft. */
  published: nullable(moment),
});

const change = t.Object({ call: uuid, machine: nullable(words), openedAt: moment, how: words });

const rates = t.Object({
  /** The one that new calls are worked with; nothing where those that ship are. */
  current: nullable(t.Integer()),
  versions: t.Array(version),
  lines: t.Array(rateLine),
  /** Minutes of tests, and the share of looks that mislead. */
  tests: t.Array(t.Object({ ...learned, test: words, of: t.Union([t.Literal('minutes'), t.Literal('misleads')]) })),
  years: count,
  /** Of the calls of the book: what these rates would have changed of the first suspect, beside the current ones. */
  changed: t.Object({
    of: t.Integer(),
    better: t.Integer(),
    worse: t.Integer(),
    neither: t.Integer(),
    calls: t.Array(change),
  }),
});

const share = t.Object({ of: t.Integer(), right: t.Integer(), share: count, low: count, high: count });
const spread = t.Object({ of: t.Integer(), median: nullable(count), most: nullable(count), planned: nullable(count) });

const by = t.Object({ id: words, title: words, right: share, minutes: nullable(count), planned: nullable(count) });

const advice = t.Object({
  /** Whose calls these are: one's own, or the shop's. */
  whose: t.Union([t.Literal('mine'), t.Literal('shop')]),
  of: t.Integer(),
  stages: t.Array(t.Object({ stage: t.Union(STAGES.map((s) => t.Literal(s))), right: share })),
  /** Within thirty days nobody came back. */
  lasting: share,
  /** Why somebody came back, the most frequent first. */
  returns: t.Array(
    t.Object({ why: t.Unsafe<CameBackFor>(t.Union(CAME_BACK_FOR.map((w) => t.Literal(w)))), cases: t.Integer() }),
  ),
  /** What was said of the first suspect once a try was watched, in groups. */
  groups: t.Array(t.Object({ group: t.Integer(), said: count, was: share })),
  tests: spread,
  minutes: spread,
  cannot: t.Integer(),
  willNot: t.Integer(),
  fitted: t.Integer(),
  unproved: t.Integer(),
  inVain: t.Integer(),
  /** Proved calls that took more tests than were planned. */
  moreTests: t.Integer(),
  families: t.Array(by),
  people: t.Array(by),
  seasons: t.Array(by),
  /** Calls on which most was believed of what it was not. */
  worst: t.Array(t.Object({ call: uuid, machine: nullable(words), title: words, said: count })),
});

const trends = t.Object({
  lines: t.Array(
    t.Object({
      machine: uuid,
      label: words,
      site: words,
      profile: profileId,
      line: words,
      title: words,
      dimension: t.Unsafe<Dimension>(words),
      points: t.Integer(),
      lastAt: moment,
      /** SI, as all of it. */
      lastValue: t.Number(),
      perYear: t.Number(),
      perYearWithin: t.Number(),
      /** What it will cross, and between when, nine in ten; nothing where it comes to no limit. */
      limit: nullable(t.Number()),
      words: nullable(t.Unsafe<'marginal' | 'bad'>(t.Union([t.Literal('marginal'), t.Literal('bad')]))),
      earliest: nullable(moment),
      latest: nullable(moment),
    }),
  ),
});

export type Trends = t.Static<typeof trends>;
export type PatternsStanding = t.Static<typeof standing>;
export type PatternsFilter = t.Static<typeof filter>;
export type Breaks = t.Static<typeof breaks>;
export type BreakLine = t.Static<typeof line>;
export type SeenCase = t.Static<typeof seen>;
export type Rates = t.Static<typeof rates>;
export type RateLine = t.Static<typeof rateLine>;
export type RateVersion = t.Static<typeof version>;
export type Advice = t.Static<typeof advice>;
export type SharedBy = t.Static<typeof by>;

const whichVersion = t.Object({ version: t.String({ pattern: '^[1-9]\\d{0,8}$', title: 'number of a version' }) });
const said = t.Object({ words: trimmed(300) });

/** The fields of rates that are columns. */
export const rateFields = said.properties;

export const patterns = {
  standing: endpoint({ method: 'GET', path: '/patterns', reply: standing }),
  /** Reads some closed calls that are not in the book yet; `unread` says how many are left. */
  read: endpoint({ method: 'POST', path: '/patterns/read', reply: standing }),
  breaks: endpoint({ method: 'GET', path: '/patterns/breaks', query: filter, reply: breaks }),
  /** The calls behind a figure. */
  cases: endpoint({
    method: 'GET',
    path: '/patterns/cases',
    query: t.Object({
      ...filter.properties,
      part: t.Optional(trimmed(80)),
      cause: t.Optional(trimmed(80)),
      way: t.Optional(trimmed(160)),
      /** Those on which it was made, as `look filter`. */
      test: t.Optional(trimmed(120)),
      /** Those that a figure of the advice counts. */
      figure: t.Optional(t.Unsafe<AdviceFigure>(t.Union(ADVICE_FIGURES.map((f) => t.Literal(f))))),
    }),
    reply: t.Object({ cases: t.Array(seen) }),
  }),
  advice: endpoint({
    method: 'GET',
    path: '/patterns/advice',
    query: t.Object({
      ...filter.properties,
      whose: t.Optional(t.Unsafe<'mine' | 'shop'>(t.Union([t.Literal('mine'), t.Literal('shop')]))),
    }),
    reply: advice,
  }),
  /** What slides on the machines of the shop, by their readings over the years: the nearest crossing first. */
  trends: endpoint({ method: 'GET', path: '/patterns/trends', query: filter, reply: trends }),
  /** What the book has learned as it is now, beside what was published. */
  rates: endpoint({ method: 'GET', path: '/rates', reply: rates }),
  /** Keeps what is learned now as a version. */
  draft: endpoint({ method: 'POST', path: '/rates', body: said, reply: rates, status: 201 }),
  /** Rates of a version, as a call pins them. They never change. */
  book: endpoint({
    method: 'GET',
    path: '/rates/:version',
    params: whichVersion,
    reply: t.Object({ version: t.Integer(), book: rateBook }),
  }),
  /** The version that new calls pin; nothing where those that ship are used. */
  current: endpoint({ method: 'GET', path: '/rates/current', reply: t.Object({ version: nullable(t.Integer()) }) }),
  /** New calls are worked with this version from now on; an older one again goes back. */
  publish: endpoint({
    method: 'POST',
    path: '/rates/:version/publish',
    params: whichVersion,
    body: said,
    reply: rates,
  }),
  /** New calls are worked with the rates that ship. */
  withdraw: endpoint({ method: 'POST', path: '/rates/shipped', body: said, reply: rates }),
};
