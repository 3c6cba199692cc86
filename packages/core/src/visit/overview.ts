import {
  claimWords,
  familyNamed,
  follow,
  type Followed,
  type Grade,
  offBy,
  overdue,
  type Pressed,
  type Terms,
  tightened,
} from '../rules';
import { type CallEvent, madeAt } from './event';
import type { EventBody } from './event-kinds';
import type { BreakRecord } from './events/break-recorded';
import { happeningsOf } from './happenings';
import { compareEvents } from './order';
import { retractions } from './retractions';
import { settled } from './settled';

/** An entry with its place in the order in which the server took the call's entries; Infinity while it was not sent. */
export interface Arrived {
  readonly event: CallEvent;
  readonly number: number;
}

/** A safety that is gone round. */
export interface OpenBypass {
  readonly id: string;
  readonly title: string;
  readonly kind: string;
  /** Who placed it. */
  readonly person: string;
  /** When it was placed and when it has to be off, by the server's clock, ISO 8601. */
  readonly since: string;
  readonly until: string;
}

/** A stop that stands, as those see it who are not there. */
export interface OpenStop {
  readonly id: string;
  readonly title: string;
  readonly grade: Grade;
  readonly person: string;
  readonly since: string;
  /** The first order that nobody has answered. */
  readonly order: string | null;
  /** Orders that could not be followed at a shut-off. */
  readonly unable: readonly string[];
  readonly endedBy: string;
}

/** Something that waits for a countersignature. */
export interface OpenClaim {
  readonly event: string;
  readonly person: string;
  readonly since: string;
  readonly words: string;
}

/** Something that is there for now. */
export interface OpenTemporary {
  readonly title: string;
  readonly kind: string;
  readonly person: string;
  readonly since: string;
}

/** What was said of a step of the newest try. */
interface SeenStep {
  readonly phase: string;
  readonly answer: 'yes' | 'no' | 'unclear';
}

/** A clock that was set: it is over at a moment by the server's clock, ISO 8601. */
interface OpenClock {
  readonly title: string;
  readonly since: string;
  readonly ends: string;
}

/** What a call that ended waiting waits for. */
interface WaitsFor {
  readonly what: string;
  readonly whom: string;
  readonly when: string;
}

/** What those who are not at the machine have to know of a call. */
export interface Overview {
  /** `late`: closed, and then an entry came that touches safety. */
  readonly state: 'open' | 'closed' | 'late';
  readonly gas: boolean;
  readonly power: boolean;
  readonly bypasses: readonly OpenBypass[];
  readonly temporary: readonly OpenTemporary[];
  readonly stops: readonly OpenStop[];
  readonly claims: readonly OpenClaim[];
  /** How far it runs: the last answer to each step since the last repair, in the order of the first answers. */
  readonly steps: readonly SeenStep[];
  /** Clocks that were set and not taken away, the first to end first. */
  readonly clocks: readonly OpenClock[];
  /** What it waits for, when it ended so; nothing otherwise. */
  readonly waits: WaitsFor | null;
  /** How it ended; nothing while it is open. */
  readonly ending: string | null;
  /** Shown to a lead, who looks on. */
  readonly shown: boolean;
  /** How many entries that touch safety came after the closing. */
  readonly late: number;
  /** When the next clock runs out; the reader compares. */
  readonly dueAt: string | null;
  /** Resets without a cause: the next call on this machine counts them. */
  readonly resets: readonly Pressed[];
  readonly record: (Omit<BreakRecord, 'advice' | 'action' | 'title'> & { readonly title: string }) | null;
}

/** Entries that touch gas, power, bypass, danger or repair. */
const TOUCHING: ReadonlySet<EventBody['type']> = new Set([
  'setup',
  'danger',
  'danger-over',
  'fact',
  'look',
  'seen',
  'reset',
  'repaired',
  'adjusted',
]);

/** The types of entries an overview is made from. */
export const OVERVIEW_TYPES: readonly EventBody['type'][] = [
  ...TOUCHING,
  'timer',
  'opened',
  'cause',
  'need',
  'temporary',
  'undone',
  'adjustment-settled',
  'stop-order',
  'stop-ended',
  'proof-line',
  'break-recorded',
  'closed',
  'reopened',
  'retracted',
  'countersigned',
  'shown',
];

/** Whether an entry touches safety: of looks and cues only those that tell the rules something. */
const touchesSafety = ({ body }: CallEvent): boolean => {
  if (!TOUCHING.has(body.type)) return false;
  if (body.type === 'look')
    return (body.means?.length ?? 0) > 0 || body.pressed !== undefined || body.raises !== undefined;
  return body.type !== 'seen';
};

/**
 * Folds the log of a call, or its entries of the types that matter, into what the office sees at a moment. It needs no profile:
 * entries carry what it takes. Entries count in the order of the log, whenever they came; late is what came after the closing.
 */
export function overviewOf(log: readonly Arrived[], now: number): Overview {
  const ordered = [...log].sort((a, b) => compareEvents(a.event, b.event));
  const events = settled(ordered.map(({ event, number }) => (Number.isFinite(number) ? { ...event, number } : event)));
  const followed = follow(happeningsOf(events), { ...termsOf(events), now });
  const struck = retractions(events);
  const standing = ordered.filter(({ event }) => !struck.has(event.id));
  const closing = followed.ending === undefined ? undefined : closingOf(standing);
  const byId = new Map(log.map(({ event }) => [event.id, event]));
  const touches = (event: CallEvent): boolean => {
    const target = event.body.type === 'retracted' ? byId.get(event.body.event) : event;
    return target !== undefined && touchesSafety(target);
  };
  const late = closing === undefined ? 0 : standing.filter((a) => a.number > closing && touches(a.event)).length;
  const { c } = followed;
  const bypasses = c.bypasses.map((b) => ({
    id: b.id,
    title: b.title,
    kind: b.kind,
    person: b.by,
    since: iso(b.since),
    until: iso(overdue(b, c) === 'forbidden' ? b.since : offBy(b, c)),
  }));
  return {
    state: closing === undefined ? 'open' : late > 0 ? 'late' : 'closed',
    gas: c.gas,
    power: c.power,
    bypasses,
    temporary: [...c.temporary.values()].map(({ title, kind, by, since }) => ({
      title,
      kind,
      person: by,
      since: iso(since),
    })),
    stops: stopsOf(followed),
    claims: followed.claims.map((claim) => ({
      event: claim.event,
      person: claim.person,
      since: iso(claim.since),
      words: claimWords(claim, followed),
    })),
    steps: stepsOf(standing),
    clocks: clocksOf(standing),
    waits: followed.ending === 'waiting' ? waitsOf(standing) : null,
    ending: followed.ending ?? null,
    shown: isShown(standing),
    late,
    dueAt: bypasses.map((b) => b.until).sort()[0] ?? null,
    resets: followed.uncaused,
    record: recordOf(standing),
  };
}

/** What a log is followed under: the family of the appliance, the resets that were pressed on it before, the shop’s limits. */
export function termsOf(events: readonly CallEvent[]): Omit<Terms, 'now'> {
  const opened = events.find((e) => e.body.type === 'opened')?.body;
  if (opened?.type !== 'opened') return { family: undefined, before: [] };
  const before = (opened.before ?? []).map((p) => ({ ...p, at: Date.parse(p.at) }));
  const family = opened.family ?? familyNamed(opened.profile);
  return { family, before, ...(opened.limits && { limits: tightened(opened.limits) }) };
}

const isShown = (standing: readonly Arrived[]): boolean => {
  const body = standing.findLast(({ event }) => event.body.type === 'shown')?.event.body;
  return body?.type === 'shown' && body.on;
};

const closingOf = (standing: readonly Arrived[]): number | undefined =>
  standing.findLast(({ event }) => event.body.type === 'closed')?.number;

function stepsOf(standing: readonly Arrived[]): SeenStep[] {
  const steps = new Map<string, SeenStep['answer']>();
  for (const { event } of standing) {
    if (event.body.type === 'repaired') steps.clear();
    // Not yet is not missed: where the run breaks off is not known so.
    const { body } = event;
    if (body.type === 'seen')
      steps.set(body.phase, body.answer === 'no' && body.after !== undefined ? 'unclear' : body.answer);
  }
  return [...steps].map(([phase, answer]) => ({ phase, answer }));
}

const clocksOf = (standing: readonly Arrived[]): OpenClock[] =>
  standing
    .flatMap(({ event }) => {
      if (event.body.type !== 'timer') return [];
      const since = madeAt(event);
      return [{ title: event.body.title, since: iso(since), ends: iso(since + event.body.seconds * 1000) }];
    })
    .sort((a, b) => a.ends.localeCompare(b.ends));

function waitsOf(standing: readonly Arrived[]): Overview['waits'] {
  const body = standing.findLast(({ event }) => event.body.type === 'closed')?.event.body;
  if (body?.type !== 'closed') return null;
  const { for: what = body.words, whom = '', when = '' } = body.given ?? {};
  return { what, whom, when };
}

const stopsOf = ({ stops, unable }: Followed): OpenStop[] =>
  stops.map(({ stop, grade, person, since, orders, endedBy }) => ({
    id: stop.id,
    title: stop.title,
    grade,
    person,
    since: iso(since),
    order: orders.find(({ answer }) => answer === undefined)?.order.sentence ?? null,
    unable: orders.flatMap(({ order }) =>
      unable.some((u) => u.stop === stop.id && u.order === order.id) ? [order.sentence] : [],
    ),
    endedBy: endedBy.grant === undefined ? endedBy.role : `${endedBy.role}, ${endedBy.grant}`,
  }));

function recordOf(standing: readonly Arrived[]): Overview['record'] {
  const body = standing.findLast(({ event }) => event.body.type === 'break-recorded')?.event.body;
  if (body?.type !== 'break-recorded') return null;
  const { part, title = part, failure, cause, standing: word } = body;
  return { part, title, failure, cause, standing: word };
}

/** A moment as text; old logs may hold times that are none, or beyond what a date can say. */
function iso(time: number): string {
  const date = new Date(time);
  return Number.isNaN(date.getTime()) ? new Date(0).toISOString() : date.toISOString();
}
