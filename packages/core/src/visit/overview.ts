import { bypassLimit, type Danger } from '../rules';
import { type CallEvent, madeAt } from './event';
import type { EventBody } from './event-kinds';
import type { BreakRecord } from './events/break-recorded';
import { compareEvents } from './order';
import { retractions } from './retractions';

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

/** What those who are not at the machine have to know of a call. */
export interface Overview {
  /** `late`: closed, and then an entry came that touches safety. */
  readonly state: 'open' | 'closed' | 'late';
  readonly gas: boolean;
  readonly power: boolean;
  readonly bypasses: readonly OpenBypass[];
  readonly danger: Danger | null;
  /** How many entries that touch safety came after the closing. */
  readonly late: number;
  /** When the next clock runs out; the reader compares. */
  readonly dueAt: string | null;
  readonly record: (Omit<BreakRecord, 'advice' | 'action' | 'title'> & { readonly title: string }) | null;
}

/** Entries that touch gas, power, bypass, danger or repair. */
const TOUCHING: ReadonlySet<EventBody['type']> = new Set(['setup', 'danger', 'danger-over', 'repaired', 'adjusted']);

/** The types of entries an overview is made from. */
export const OVERVIEW_TYPES: readonly EventBody['type'][] = [
  ...TOUCHING,
  'break-recorded',
  'closed',
  'reopened',
  'retracted',
];

interface Draft extends Omit<Overview, 'state' | 'late' | 'dueAt'> {
  /** The number of the entry that closed the call; nothing while it is open. */
  closing: number | undefined;
  gas: boolean;
  power: boolean;
  bypasses: readonly OpenBypass[];
  danger: Danger | null;
  record: Overview['record'];
}

/**
 * Folds the log of a call, or its entries of the types that matter, into what the office sees. It needs no profile: entries
 * carry what it takes. Entries count in the order of the log, whenever they came; late is what came after the closing.
 */
export function overviewOf(log: readonly Arrived[]): Overview {
  const ordered = [...log].sort((a, b) => compareEvents(a.event, b.event));
  const retracted = retractions(ordered.map(({ event }) => event));
  const standing = ordered.filter(({ event }) => !retracted.has(event.id));
  const draft: Draft = { closing: undefined, gas: true, power: true, bypasses: [], danger: null, record: null };
  for (const { event, number } of standing) fold(draft, event, number);

  const { closing, gas, power, bypasses, danger, record } = draft;
  const typeOf = new Map(log.map(({ event }) => [event.id, event.body.type]));
  const touches = ({ body }: CallEvent): boolean =>
    body.type === 'retracted' ? TOUCHING.has(typeOf.get(body.event) ?? 'note') : TOUCHING.has(body.type);
  const late = closing === undefined ? 0 : standing.filter((a) => a.number > closing && touches(a.event)).length;
  const state = closing === undefined ? 'open' : late > 0 ? 'late' : 'closed';
  const dueAt = bypasses.map((b) => b.until).sort()[0] ?? null;
  return { state, gas, power, bypasses, danger, late, dueAt, record };
}

function fold(draft: Draft, event: CallEvent, number: number): void {
  const { body } = event;
  switch (body.type) {
    case 'setup':
      draft.gas = body.gas;
      draft.power = body.power;
      draft.bypasses = bypassesOf(draft.bypasses, event, body);
      break;
    case 'danger':
      draft.danger = body.danger;
      break;
    case 'danger-over':
      draft.danger = null;
      break;
    case 'break-recorded': {
      const { part, title = part, failure, cause, standing } = body;
      draft.record = { part, title, failure, cause, standing };
      break;
    }
    case 'closed':
      draft.closing = number;
      break;
    case 'reopened':
      draft.closing = undefined;
      break;
  }
}

/** What is gone round from now on; what was before has its clock running since then. */
function bypassesOf(
  before: readonly OpenBypass[],
  event: CallEvent,
  { bypassed, ledger = [] }: Extract<EventBody, { type: 'setup' }>,
): OpenBypass[] {
  // Logs made before there was a ledger name only the parts.
  const unlisted = bypassed
    .filter((id) => !ledger.some((line) => line.id === id))
    .map((id) => ({ id, title: id, kind: 'safety', limit: bypassLimit('safety') }));
  return [...ledger, ...unlisted].map(({ id, title, kind, limit }) => {
    const placed = before.find((b) => b.id === id);
    if (placed) return placed;
    const since = madeAt(event);
    return { id, title, kind, person: event.person, since: iso(since), until: iso(since + limit * 1000) };
  });
}

/** A moment as text; old logs may hold times that are none, or beyond what a date can say. */
function iso(time: number): string {
  const date = new Date(time);
  return Number.isNaN(date.getTime()) ? new Date(0).toISOString() : date.toISOString();
}
