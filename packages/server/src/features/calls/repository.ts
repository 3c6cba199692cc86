import { Op, UniqueConstraintError, type CreationAttributes } from 'sequelize';
import type { CallEvent, EventBody } from '@zetalysis/core/visit';
import { Call, LoggedEvent } from './model';

/** An event as a row of its table. */
export const eventRow = (e: CallEvent) => ({
  id: e.id,
  callId: e.call,
  seq: e.seq,
  at: e.at,
  device: e.device,
  person: e.person,
  type: e.body.type,
  body: e.body,
});

export const asEvent = (e: LoggedEvent): CallEvent => ({
  id: e.id,
  call: e.callId,
  seq: e.seq,
  at: e.at,
  device: e.device,
  person: e.person,
  body: e.body,
});

export const newestCalls = (limit: number): Promise<Call[]> => Call.findAll({ order: [['createdAt', 'DESC']], limit });

export const callWith = (id: string): Promise<Call | null> => Call.findByPk(id);

/** Makes the head of a call; does nothing when another process made it in the same moment. */
export async function addCall(call: CreationAttributes<Call>): Promise<void> {
  try {
    await Call.create(call);
  } catch (error) {
    if (!(error instanceof UniqueConstraintError)) throw error;
  }
}

/** Events of these types of some calls, in the order of their logs. */
export const eventsOfTypes = (calls: readonly string[], types: readonly EventBody['type'][]): Promise<LoggedEvent[]> =>
  LoggedEvent.findAll({
    where: { callId: [...calls], type: [...types] },
    order: [
      ['seq', 'ASC'],
      ['id', 'ASC'],
    ],
  });

/** What came to a call after a cursor, in the order of arrival. */
export const eventsAfter = (call: string, after: number, limit: number): Promise<LoggedEvent[]> =>
  LoggedEvent.findAll({ where: { callId: call, arrival: { [Op.gt]: after } }, order: [['arrival', 'ASC']], limit });

/**
 * Stores events that are not known yet, in one transaction. `same` is asked about an event that is known already,
 * and throws when it has other contents.
 */
export const storeEvents = (
  events: readonly CallEvent[],
  same: (stored: CallEvent, sent: CallEvent) => void,
): Promise<{ stored: number; known: number }> =>
  LoggedEvent.sequelize!.transaction(async (transaction) => {
    const known = await LoggedEvent.findAll({ where: { id: events.map((e) => e.id) }, transaction });
    const byId = new Map(known.map((e) => [e.id, e]));
    for (const event of events) {
      const stored = byId.get(event.id);
      if (stored) same(asEvent(stored), event);
    }
    const fresh = events.filter((e, i) => !byId.has(e.id) && events.findIndex((o) => o.id === e.id) === i);
    await LoggedEvent.bulkCreate(fresh.map(eventRow), { transaction, ignoreDuplicates: true });
    return { stored: fresh.length, known: events.length - fresh.length };
  });
