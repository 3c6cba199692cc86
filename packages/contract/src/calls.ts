import * as t from '@sinclair/typebox';
import { DATED_TYPES, type MachineEntry } from '@zetalysis/core/history';
import type { Authority } from '@zetalysis/core/rules';
import { BODIES, build, type CallEvent, type Overview, pinnedRates, uuid } from '@zetalysis/core/visit';
import { endpoint } from './endpoint';
import { deviceName, listing, moment, nullable, personName, profileId, profileVersion } from './fields';
import { machine } from './machines';
import { personFields } from './session';

/** One entry of a call's log; what its body holds depends on its type. */
const callEventFields = t.Object({
  id: uuid,
  call: uuid,
  /** As far as the database counts. */
  seq: t.Integer({ minimum: 1, maximum: 2_147_483_647 }),
  at: moment,
  /** A clock that is wrong by more than a century is not believed. */
  offset: t.Optional(t.Integer({ minimum: -3e12, maximum: 3e12 })),
  device: deviceName,
  person: personName,
  body: t.Union(Object.values(BODIES), { discriminator: { propertyName: 'type' } }),
});

export const callEvent = t.Unsafe<CallEvent>(callEventFields);

/** The fields of an entry that are columns of their own. */
export const entryFields = callEventFields.properties;

const words = t.String();

/** What the office sees of a call; see `Overview`. */
const overview = t.Unsafe<Overview>(
  t.Object({
    state: t.Union(['open', 'closed', 'late'].map((s) => t.Literal(s))),
    gas: t.Boolean(),
    power: t.Boolean(),
    bypasses: t.Array(t.Object({ id: words, title: words, kind: words, person: words, since: moment, until: moment })),
    temporary: t.Array(t.Object({ title: words, kind: words, person: words, since: moment })),
    stops: t.Array(
      t.Object({
        id: words,
        title: words,
        grade: t.Union(['out', 'off', 'hold'].map((g) => t.Literal(g))),
        person: words,
        since: moment,
        order: nullable(words),
        unable: t.Array(words),
        endedBy: words,
      }),
    ),
    claims: t.Array(t.Object({ event: words, person: words, since: moment, words })),
    steps: t.Array(t.Object({ phase: words, answer: t.Union(['yes', 'no', 'unclear'].map((a) => t.Literal(a))) })),
    clocks: t.Array(t.Object({ title: words, since: moment, ends: moment })),
    waits: nullable(t.Object({ what: words, whom: words, when: words })),
    ending: nullable(words),
    shown: t.Boolean(),
    resets: t.Array(t.Object({ safety: words, kind: words, title: words, at: t.Number(), event: words })),
    late: t.Integer(),
    dueAt: nullable(moment),
    record: nullable(t.Object({ part: words, title: words, failure: words, cause: words, standing: words })),
  }),
);

const authority = t.Object({ role: personFields.role, grants: personFields.grants });

const complaint = t.String({ maxLength: 500 });

/** A call's unchanging head: what it is worked under. */
const head = t.Object({
  id: uuid,
  complaint,
  profile: profileId,
  profileVersion,
  build,
  engineVersion: t.String({ maxLength: 80 }),
  settings: t.Object({ units: words, settingsVersion: words, rates: t.Optional(pinnedRates) }),
  openedAt: moment,
  machine: nullable(machine),
});

/** The fields of a head that are columns. */
export const headFields = head.properties;

const summary = t.Object({
  /** Who opened it, by the full name. */
  person: words,
  id: uuid,
  complaint,
  profile: profileId,
  build,
  openedAt: moment,
  machine: nullable(machine),
  /** The call that it came back from, within thirty days. */
  callbackOf: nullable(uuid),
  overview,
});

export type CallHead = t.Static<typeof head>;

/** A call as lists show it. */
export type CallSummary = t.Static<typeof summary>;

/** An entry with its number: the first that the server took into the call is 1, and none is left out. */
export interface NumberedEvent {
  readonly number: number;
  readonly event: CallEvent;
  /** What its person might do when it came; nothing for entries from before that was kept. */
  readonly as?: Authority | undefined;
}

/** An entry that was not taken, with what a `Problem` would say of it alone. */
export interface RefusedEvent {
  readonly id: string;
  readonly status: number;
  readonly title: string;
  readonly detail: string;
}

// The type of an entry is many types: written out here, so that it is not worked out again at every use.
const page = t.Unsafe<{ entries: NumberedEvent[]; last: number; looking: string[] }>(
  t.Object({
    entries: t.Array(t.Object({ number: t.Integer(), event: callEvent, as: t.Optional(authority) })),
    /** The number of the newest entry of the call: when these end below it, there is more. */
    last: t.Integer(),
    /** Who looks at the call now, by their full names. */
    looking: t.Array(words),
  }),
);
const sent = t.Unsafe<{ events: CallEvent[] }>(
  t.Object({ events: t.Array(callEvent, { minItems: 1, maxItems: 200 }) }),
);
const taken = t.Object({
  /** Entries that are stored as they were sent, now or before, with their numbers. */
  acknowledged: t.Array(t.Object({ id: uuid, number: t.Integer() })),
  refused: t.Unsafe<RefusedEvent[]>(t.Array(t.Object({ id: uuid, status: t.Integer(), title: words, detail: words }))),
});

export type Taken = t.Static<typeof taken>;

/** An entry of a machine's history: what was read, mended or recommended, and in which call. */
const dated = t.Unsafe<MachineEntry>(
  t.Object({
    id: uuid,
    call: uuid,
    at: t.Number(),
    body: t.Union(
      DATED_TYPES.map((type) => BODIES[type]!),
      { discriminator: { propertyName: 'type' } },
    ),
  }),
);

const one = t.Object({ id: uuid });

export const calls = {
  list: endpoint({
    method: 'GET',
    path: '/calls',
    query: t.Object({
      ...listing(['opened', 'machine']).properties,
      /** `open` has those with a late entry and those that wait for something too. */
      state: t.Optional(t.Unsafe<'open' | 'closed'>(t.Union([t.Literal('open'), t.Literal('closed')]))),
    }),
    reply: t.Object({ calls: t.Array(summary), total: t.Integer() }),
  }),
  /** Every call on which something stands that must not be forgotten, however old it is. */
  watch: endpoint({ method: 'GET', path: '/calls/watch', reply: t.Array(summary) }),
  /** The calls on one machine, the newest first: its life. */
  ofMachine: endpoint({ method: 'GET', path: '/machines/:id/calls', params: one, reply: t.Array(summary) }),
  /** Everything that was read, mended and recommended on one machine, the newest first, so many at most; what was taken back is left out. */
  readings: endpoint({ method: 'GET', path: '/machines/:id/readings', params: one, reply: t.Array(dated) }),
  read: endpoint({ method: 'GET', path: '/calls/:id', params: one, reply: head }),
  events: endpoint({
    method: 'GET',
    path: '/calls/:id/events',
    params: one,
    /** The number of the newest entry that is known already. */
    query: t.Object({ after: t.Optional(t.String({ pattern: '^\\d{1,9}$', title: 'number of an entry' })) }),
    reply: page,
  }),
  /** Somebody looks at a call; said again and again while they do. */
  look: endpoint({ method: 'PUT', path: '/calls/:id/looking', params: one }),
  // Entries arrive one or many at a time, in any order, perhaps again: what is known already changes nothing. When none of
  // them can be taken, the answer is the problem of the first.
  send: endpoint({ method: 'POST', path: '/calls/:id/events', params: one, body: sent, reply: taken }),
};
