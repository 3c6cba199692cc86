import * as t from '@sinclair/typebox';
import { BODIES, build, type CallEvent, uuid } from '@zetalysis/core/visit';
import { endpoint } from './endpoint';
import { moment, nullable } from './fields';
import { machine } from './machines';

const name = t.String({ minLength: 1, maxLength: 80 });

/** One entry of a call's log; what its body holds depends on its type. */
export const callEvent = t.Unsafe<CallEvent>(
  t.Object({
    id: uuid,
    call: uuid,
    seq: t.Integer({ minimum: 1, maximum: 2_000_000_000 }),
    at: moment,
    device: name,
    person: name,
    body: t.Union(Object.values(BODIES), { discriminator: { propertyName: 'type' } }),
  }),
);

const summary = t.Object({
  id: uuid,
  complaint: t.String(),
  profile: t.String(),
  build,
  openedAt: moment,
  machine: nullable(machine),
  bypassed: t.Array(t.String()),
  record: nullable(t.Object({ part: t.String(), failure: t.String(), cause: t.String(), standing: t.String() })),
  closed: t.Boolean(),
});

/** A call's unchanging head: what it is worked under. */
const head = t.Object({
  id: uuid,
  complaint: t.String(),
  profile: t.String(),
  profileVersion: t.String(),
  build,
  engineVersion: t.String(),
  settings: t.Object({ units: t.String(), settingsVersion: t.String() }),
  openedAt: moment,
  machine: nullable(machine),
});

export type CallHead = t.Static<typeof head>;

/** A call as lists show it. */
export type CallSummary = t.Static<typeof summary>;

// The type of an entry is many types: written out here, so that it is not worked out again at every use.
const page = t.Unsafe<{ events: CallEvent[]; cursor: number; more: boolean }>(
  t.Object({ events: t.Array(callEvent), cursor: t.Integer(), more: t.Boolean() }),
);
const sent = t.Unsafe<{ events: CallEvent[] }>(
  t.Object({ events: t.Array(callEvent, { minItems: 1, maxItems: 200 }) }),
);

const one = t.Object({ id: uuid });

export const calls = {
  list: endpoint({ method: 'GET', path: '/calls', reply: t.Array(summary) }),
  read: endpoint({ method: 'GET', path: '/calls/:id', params: one, reply: head }),
  events: endpoint({
    method: 'GET',
    path: '/calls/:id/events',
    params: one,
    /** A cursor from an earlier answer. */
    query: t.Object({ after: t.Optional(t.String({ pattern: '^\\d{1,15}$' })) }),
    reply: page,
  }),
  // Events arrive one or many at a time, in any order, perhaps again: what is known already changes nothing.
  send: endpoint({
    method: 'POST',
    path: '/calls/:id/events',
    params: one,
    body: sent,
    reply: t.Object({ stored: t.Integer(), known: t.Integer() }),
  }),
};
