import * as t from '@sinclair/typebox';
import { PRIORITIES, type Priority } from '@zetalysis/core/schedule';
import { DUTY_IDS, type DutyId } from '@zetalysis/core/upkeep';
import { uuid } from '@zetalysis/core/visit';
import { endpoint } from './endpoint';
import { day, nullable, trimmed } from './fields';

const duty = t.Unsafe<DutyId>(t.Union(DUTY_IDS.map((d) => t.Literal(d))));
const priority = t.Unsafe<Priority>(t.Union(PRIORITIES.map((p) => t.Literal(p))));

const where = t.Object({ id: uuid, label: t.String(), site: t.String() });

const item = t.Object({
  id: uuid,
  day: t.String(),
  person: uuid,
  /** A call that is open or waits; nothing for a duty. */
  call: nullable(uuid),
  duty: nullable(duty),
  machine: nullable(where),
  /** What the customer says, or what is to be done. */
  words: t.String(),
  /** When the customer was told that somebody comes, as `09:00-11:00`; empty where nobody said. */
  slot: t.String(),
  priority,
  /** The call was closed since. */
  over: t.Boolean(),
});

const newItem = t.Object({
  day,
  person: uuid,
  call: nullable(uuid),
  machine: nullable(uuid),
  duty: nullable(duty),
  slot: trimmed(20),
  priority,
});

const move = t.Object({
  day,
  person: uuid,
  /** The item that it comes before; nothing for last. */
  before: nullable(uuid),
  slot: trimmed(20),
  priority,
});

export type DayItem = t.Static<typeof item>;
export type NewDayItem = t.Static<typeof newItem>;

const one = t.Object({ id: uuid });

export const days = {
  /** What everybody has to do on a day, each in their order. */
  read: endpoint({ method: 'GET', path: '/days/:day', params: t.Object({ day }), reply: t.Array(item) }),
  /** Puts a call or a duty last in the day of somebody; a call stands on one day only. */
  add: endpoint({ method: 'POST', path: '/days', body: newItem, reply: item, status: 201 }),
  move: endpoint({ method: 'PUT', path: '/days/items/:id', params: one, body: move, reply: item }),
  remove: endpoint({ method: 'DELETE', path: '/days/items/:id', params: one }),
};
