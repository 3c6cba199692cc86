import * as t from '@sinclair/typebox';
import { type Due, DUTY_IDS, DUTY_RESULTS, type DutyId, type DutyResult } from '@zetalysis/core/upkeep';
import { uuid } from '@zetalysis/core/visit';
import { endpoint } from './endpoint';
import { day, moment, nullable, trimmed } from './fields';

const duty = t.Unsafe<DutyId>(t.Union(DUTY_IDS.map((d) => t.Literal(d))));
const result = t.Unsafe<DutyResult>(t.Union(DUTY_RESULTS.map((r) => t.Literal(r))));
/** Days from one time to the next: nought where it is not asked of this machine. */
const every = t.Integer({ minimum: 0, maximum: 3650 });

const last = t.Object({ day: t.String(), result });
const due = t.Unsafe<Due>(
  t.Object({
    day: t.String(),
    failed: t.Boolean(),
    state: t.Union(['overdue', 'soon', 'later'].map((s) => t.Literal(s))),
  }),
);

/** One duty of one machine. */
const asked = t.Object({
  duty,
  every,
  /** Not as the family has it: set for this machine. */
  own: t.Boolean(),
  last: nullable(last),
  /** Nothing where it is not asked of this machine. */
  due: nullable(due),
});

const dueOne = t.Object({
  machine: t.Object({ id: uuid, label: t.String(), site: t.String() }),
  duty,
  every,
  last: nullable(last),
  due,
});

const record = t.Object({
  id: uuid,
  duty,
  day: t.String(),
  result,
  words: t.String(),
  by: t.String(),
  /** The call on which it was done. */
  call: nullable(uuid),
  at: moment,
});

const newRecord = t.Object({ duty, day, result, words: trimmed(500) });

const kind = t.Unsafe<'calendar' | 'caretaker'>(t.Union([t.Literal('calendar'), t.Literal('caretaker')]));
const address = t.Object({
  id: uuid,
  kind,
  label: t.String(),
  machine: nullable(uuid),
  by: t.String(),
  at: moment,
  revoked: nullable(moment),
});

/** The part of an address that nobody can guess. */
const secret = t.Object({ secret: t.String({ pattern: '^[A-Za-z0-9_-]{43}$', title: 'address as it was given' }) });

const form = t.Object({
  machine: t.String(),
  shop: t.Object({ name: t.String(), address: t.String() }),
  duty,
  last: nullable(last),
});

export type DutyOfMachine = t.Static<typeof asked>;
export type DueDuty = t.Static<typeof dueOne>;
export type DutyRecord = t.Static<typeof record>;
export type NewDutyRecord = t.Static<typeof newRecord>;
export type OpenAddress = t.Static<typeof address>;
export type CaretakerForm = t.Static<typeof form>;

const one = t.Object({ id: uuid });

export const upkeep = {
  /** What is due in the whole shop until a day, overdue first, grouped by site. */
  due: endpoint({
    method: 'GET',
    path: '/upkeep',
    query: t.Object({ until: t.Optional(day) }),
    reply: t.Array(dueOne),
  }),
  ofMachine: endpoint({
    method: 'GET',
    path: '/machines/:id/upkeep',
    params: one,
    reply: t.Object({ duties: t.Array(asked), records: t.Array(record) }),
  }),
  record: endpoint({
    method: 'POST',
    path: '/machines/:id/upkeep',
    params: one,
    body: newRecord,
    reply: record,
    status: 201,
  }),
  /** How often a machine asks for it; nothing for as its family has it. */
  plan: endpoint({
    method: 'PUT',
    path: '/machines/:id/upkeep/plan',
    params: one,
    body: t.Object({ duty, every: nullable(every) }),
    reply: t.Array(asked),
  }),
  addresses: endpoint({ method: 'GET', path: '/addresses', reply: t.Array(address) }),
  /** Makes an address that is read without an account; it is told once. */
  give: endpoint({
    method: 'POST',
    path: '/addresses',
    body: t.Object({ kind, label: trimmed(120, 1), machine: nullable(uuid) }),
    reply: t.Object({ ...address.properties, secret: t.String() }),
    status: 201,
  }),
  revoke: endpoint({ method: 'DELETE', path: '/addresses/:id', params: one }),
  /** Without an account: the form for the weekly test of one machine. */
  form: endpoint({ method: 'GET', path: '/caretaker/:secret', params: secret, reply: form }),
  fill: endpoint({
    method: 'POST',
    path: '/caretaker/:secret',
    params: secret,
    body: t.Object({ day, result, by: trimmed(80, 1), words: trimmed(400) }),
    reply: form,
  }),
};
