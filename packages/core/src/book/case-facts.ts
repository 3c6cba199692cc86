import { type Assessment, type Engine, standingOf } from '../diagnosis';
import { type Hypothesis, repairOf } from '../inference';
import { findPart } from '../profile';
import { type Evidence, type EvidenceItem, untilMended } from '../question';
import { TRAINED } from '../rules';
import { type CallState, madeAt } from '../visit';
import { type Suspicion, suspicionsOf } from './suspicion';
import { type TestFact, testFacts } from './test-facts';
import { countedWays, wayOf } from './ways';

/** What was advised at a point of a call: whether the first suspect was what broke, and what share it was given. */
export interface Advised {
  readonly right: boolean;
  readonly said: number;
}

/** The points of a call at which advice is looked at afterwards. */
export const STAGES = ['complaint', 'watched', 'half', 'end'] as const;
export type Stage = (typeof STAGES)[number];

/** What a call is worth to the shop’s book. */
export interface CaseFacts {
  /** What broke the sequence, by id and by name; `none` where nothing was wrong. */
  readonly part: string;
  readonly title: string;
  /** The part whose condition was the cause, where that is another one, and what it is called. */
  readonly cause: string;
  readonly causeTitle: string;
  readonly standing: 'proved' | 'suspected';
  /** Ways of failing that it counts for, `part.mode`, each with how much of a case. */
  readonly ways: Readonly<Record<string, number>>;
  /** What would mend them. */
  readonly repairs: readonly string[];
  /** What was believed once a try was watched, under the rates that ship; empty where none was. */
  readonly watched: readonly Suspicion[];
  /** By point of the call; those that it did not come to are missing. */
  readonly advised: Readonly<Partial<Record<Stage, Advised>>>;
  readonly tests: number;
  /** From the first entry to the record. */
  readonly minutes: number;
  /** What the shortest proof would have taken once a try was watched. */
  readonly planned: { readonly tests: number; readonly minutes: number } | undefined;
  /** Tests that were proposed and could not, or would not, be made. */
  readonly cannot: number;
  readonly willNot: number;
  /** Repairs, those of parts that nothing had condemned before, and those of something else than what the record names. */
  readonly fitted: number;
  readonly unproved: number;
  readonly inVain: number;
  /** What its tests tell of tests like them. */
  readonly timed: readonly TestFact[];
}

/** Everything is said before a meter is out: what the customer tells, and a try that is watched. */
const WATCHED: ReadonlySet<string> = new Set(['told', 'seen', 'outcome', 'code', 'timing']);
/** A call that is left open over night was not worked all the time. */
const LONGEST = 8 * 60;

/**
 * What a call is worth to the book; nothing where no break was recorded. `worked` is the engine that advised on it, `shipped` the
 * one with the rates that ship.
 */
export function caseFacts(worked: Engine, shipped: Engine, state: CallState): CaseFacts | undefined {
  const { record, evidence, log } = state;
  if (!record) return undefined;
  const { model } = worked;
  const items = untilMended(evidence);
  // Most points of a call coincide: none is looked at twice.
  const looked = new Map<Engine, Map<number, Assessment>>();
  const assess = (until: number, engine = worked): Assessment => {
    const known = looked.get(engine) ?? new Map<number, Assessment>();
    looked.set(engine, known);
    const found = known.get(until) ?? engine.assess(firstItems(evidence, items.slice(0, until)), { pairs: false });
    known.set(until, found);
    return found;
  };
  const end = assess(items.length, shipped);
  const ways = countedWays(shipped, record, end);
  const proved = record.standing === 'proved' || standingOf(end) === 'proved';
  const repairs = repairsOf(worked, ways);
  const told = leading(items, (i) => i.observation.kind === 'told');
  const watched = toldAndWatched(items);
  const tests = items.length - watched;
  const points: Partial<Record<Stage, number>> = {
    ...(told > 0 && { complaint: told }),
    ...(watched > told && { watched }),
    ...(tests > 1 && { half: watched + Math.floor(tests / 2) }),
    ...(tests > 0 && { end: items.length }),
  };
  const advised: Partial<Record<Stage, Advised>> = {};
  for (const stage of STAGES) {
    const until = points[stage];
    if (until === undefined || repairs.size === 0) continue;
    const [suspect] = assess(until).suspects;
    advised[stage] = { right: repairs.has(suspect!.repair), said: suspect!.probability };
  }
  const cause = model.parts.find(
    ({ id, title, modes }) =>
      id !== record.part && modes.some((m) => ways.has(`${id}.${m.id}`) && record.cause.includes(title)),
  );
  return {
    part: record.part,
    title: record.title ?? findPart(model, record.part)?.title ?? record.part,
    cause: cause?.id ?? '',
    causeTitle: cause?.title ?? '',
    standing: record.standing,
    ways: Object.fromEntries(ways),
    repairs: [...repairs],
    watched: watched > told ? suspicionsOf(assess(watched, shipped)) : [],
    advised,
    tests,
    minutes: minutesOf(state),
    planned:
      watched > told
        ? planned(worked, firstItems(evidence, items.slice(0, watched)), assess(watched), ways)
        : undefined,
    cannot: count(log, (body) => body.type === 'declined' && body.why === 'cannot'),
    willNot: count(log, (body) => body.type === 'declined' && body.why === 'will-not'),
    ...fitted(worked, state),
    timed: testFacts(shipped, state, evidence, items, watched, proved ? truthOf(shipped, ways) : undefined),
  };
}

/** The evidence as it was when only these were answered. */
export const firstItems = ({ episodes }: Evidence, items: readonly EvidenceItem[]): Evidence => ({
  episodes: episodes.slice(0, Math.max(0, ...items.map((i) => i.episode)) + 1),
  items,
});

const leading = (items: readonly EvidenceItem[], is: (item: EvidenceItem) => boolean): number => {
  const end = items.findIndex((i) => !is(i));
  return end < 0 ? items.length : end;
};

/** How many answers come before the first test: what the customer tells, and a try that is watched. */
export const toldAndWatched = (items: readonly EvidenceItem[]): number =>
  leading(items, (i) => WATCHED.has(i.observation.kind));

const count = (log: CallState['log'], is: (body: CallState['log'][number]['event']['body']) => boolean): number =>
  log.filter(({ event, retracted }) => !retracted && is(event.body)).length;

/** What would mend the ways of failing that a call counts for, where one of them carries it. */
const repairsOf = ({ hypotheses }: Engine, ways: ReadonlyMap<string, number>): ReadonlySet<string> =>
  new Set(hypotheses.filter((h) => (ways.get(wayOf(h)) ?? 0) >= MOSTLY).map((h) => h.repair));
const MOSTLY = 0.5;

function minutesOf({ log, record }: CallState): number {
  const at = (id: string | undefined): number | undefined => {
    const entry = id === undefined ? undefined : log.find(({ event }) => event.id === id);
    return entry && madeAt(entry.event);
  };
  const from = log[0] && madeAt(log[0].event);
  const to = at(record?.event);
  return from === undefined || to === undefined ? 0 : Math.min(LONGEST, Math.max(0, (to - from) / 60_000));
}

/** What it was, by the ways that a call counts for; nothing where none of them carries it. */
export function truthOf({ hypotheses }: Engine, ways: ReadonlyMap<string, number>): Hypothesis | undefined {
  const [way, weight = 0] = [...ways].sort((a, b) => b[1] - a[1])[0] ?? [];
  if (weight < MOSTLY) return undefined;
  return hypotheses.find((h) => h.kind === 'fault' && h.occurs === 1 && wayOf(h) === way);
}

/** The shortest proof of what it was, from a watched try on. */
function planned(
  engine: Engine,
  evidence: Evidence,
  assessment: Assessment,
  ways: ReadonlyMap<string, number>,
): CaseFacts['planned'] {
  const hypothesis = truthOf(engine, ways);
  if (!hypothesis) return undefined;
  const plan = engine.planProof({ evidence, declined: new Set(), person: TRAINED }, assessment, hypothesis);
  const minutes = [...plan.minutes.values()];
  return { tests: minutes.length, minutes: minutes.reduce((a, b) => a + b, 0) };
}

/** Repairs on a call: before each, whether anything had condemned the part; afterwards, whether it was what the record names. */
function fitted(engine: Engine, state: CallState): Pick<CaseFacts, 'fitted' | 'unproved' | 'inVain'> {
  const { evidence, record } = state;
  const { parts: all } = engine.model;
  const broken = record && findPart(engine.model, record.part)?.index;
  const belongs = (part: number): boolean => part === broken || record?.cause.includes(all[part]!.title) === true;
  const changes = evidence.episodes.flatMap(({ repaired }, e) => {
    const before = evidence.episodes[e - 1]?.repaired ?? [];
    const fresh = repaired.filter((part) => !before.includes(part));
    return fresh.length === 0 ? [] : [{ episode: e, parts: fresh }];
  });
  let unproved = 0;
  let inVain = 0;
  for (const { episode, parts } of changes) {
    const known = evidence.items.filter((i) => i.episode < episode);
    const before = engine.assess({ episodes: evidence.episodes.slice(0, episode), items: known }, { pairs: false });
    const named = before.suspects[0]!;
    const { part } = repairOf(named.repair);
    const condemned = standingOf(before) === 'proved' && parts.some((p) => all[p]!.id === part);
    if (!condemned) unproved++;
    if (broken !== undefined && !parts.some(belongs)) inVain++;
  }
  return { fitted: changes.length, unproved, inVain };
}
