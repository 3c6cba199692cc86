import { Router } from 'express';
import Joi from 'joi';
import { Op, UniqueConstraintError, type Sequelize } from 'sequelize';
import type { CallEvent } from '@zetalysis/core/visit';
import { Call, eventRow, LoggedEvent, Machine, type Person } from '../db/models';
import { Problem } from '../http/problem';
import { uuid, validate } from '../http/validate';
import type { Profiles } from '../profiles';
import { eventsSchema } from './event-schema';

const cursorSchema = Joi.string()
  .pattern(/^\d{1,15}$/)
  .messages({ 'string.pattern.base': "'after' must be a cursor: a whole number from an earlier answer" });
const PAGE = 500;

const asEvent = (e: LoggedEvent): CallEvent => ({
  id: e.id,
  call: e.callId,
  seq: e.seq,
  at: e.at,
  device: e.device,
  person: e.person,
  body: e.body,
});

export function callRoutes(sequelize: Sequelize, profiles: Profiles): Router {
  const router = Router();

  router.get('/', async (_request, response) => {
    const calls = await Call.findAll({ order: [['createdAt', 'DESC']], limit: 200 });
    const [machines, ends] = await Promise.all([
      Machine.findAll({ where: { id: calls.map((c) => c.machineId).filter((id) => id !== null) } }),
      LoggedEvent.findAll({
        where: {
          callId: calls.map((c) => c.id),
          type: ['setup', 'danger', 'danger-over', 'break-recorded', 'closed', 'retracted'],
        },
        order: [
          ['seq', 'ASC'],
          ['id', 'ASC'],
        ],
      }),
    ]);
    const byId = new Map(machines.map((m) => [m.id, m]));
    const retracted = new Set(
      ends.filter((e) => e.body.type === 'retracted').map((e) => (e.body as { event: string }).event),
    );
    response.json(
      calls.map((call) => {
        const own = ends.filter((e) => e.callId === call.id && !retracted.has(e.id));
        const last = <T extends CallEvent['body']['type']>(type: T) =>
          own.filter((e) => e.type === type).at(-1)?.body as Extract<CallEvent['body'], { type: T }> | undefined;
        const record = last('break-recorded');
        return {
          id: call.id,
          complaint: call.complaint,
          profile: call.profile,
          variant: call.variant,
          openedAt: call.createdAt,
          machine: call.machineId === null ? null : (byId.get(call.machineId) ?? null),
          bypassed: last('setup')?.bypassed ?? [],
          record: record
            ? { part: record.part, failure: record.failure, cause: record.cause, standing: record.standing }
            : null,
          closed: own.some((e) => e.type === 'closed'),
        };
      }),
    );
  });

  router.get('/:id', async (request, response) => {
    const call = await findCall(request.params.id);
    response.json({
      ...call.toJSON(),
      machine: call.machineId === null ? null : await Machine.findByPk(call.machineId),
    });
  });

  router.get('/:id/events', async (request, response) => {
    const call = await findCall(request.params.id);
    const after = Number(validate(cursorSchema, request.query['after'] ?? '0'));
    const found = await LoggedEvent.findAll({
      where: { callId: call.id, arrival: { [Op.gt]: after } },
      order: [['arrival', 'ASC']],
      limit: PAGE,
    });
    response.json({
      events: found.map(asEvent),
      cursor: found.length > 0 ? Number(found.at(-1)!.arrival) : after,
      more: found.length === PAGE,
    });
  });

  // Events arrive one or many at a time, in any order, perhaps again: what is known already changes nothing.
  router.post('/:id/events', async (request, response) => {
    const id = validate(uuid.required(), request.params.id);
    const { events } = validate(eventsSchema, request.body);
    const stray = events.find((e) => e.call !== id);
    if (stray)
      throw new Problem(
        400,
        'Wrong call',
        `Event ${stray.id} belongs to call ${stray.call}, not to ${id}. Send it there.`,
      );
    const foreign = events.find((e) => e.person !== request.person.name);
    if (foreign)
      throw new Problem(
        403,
        'Somebody else’s event',
        `Event ${foreign.id} was made by ${foreign.person}. Sign in as ${foreign.person} to send it.`,
      );
    await openCall(profiles, request.person, id, events);
    response.json(await store(sequelize, events));
  });
  return router;
}

async function findCall(id: string): Promise<Call> {
  const call = await Call.findByPk(validate(uuid.required(), id));
  if (!call)
    throw new Problem(
      404,
      'No such call',
      'There is no call with this number. It may not have been sent from the device it was opened on.',
    );
  return call;
}

/** The first event of a call opens it and pins its versions. */
async function openCall(profiles: Profiles, person: Person, id: string, events: readonly CallEvent[]): Promise<void> {
  if (await Call.findByPk(id)) return;
  const opening = events.find((e) => e.body.type === 'opened')?.body;
  if (opening?.type !== 'opened')
    throw new Problem(
      404,
      'No such call',
      'There is no call with this number. Send its opening event first; it is still on the device that opened the call.',
    );
  await profiles.get(opening.profile, 400);
  if (opening.machine !== undefined && !(await Machine.findByPk(opening.machine)))
    throw new Problem(
      400,
      'Unknown machine',
      'The machine of this call is not in the register. Add it first, or open the call without it.',
    );
  try {
    await Call.create({
      id,
      machineId: opening.machine ?? null,
      complaint: opening.complaint,
      profile: opening.profile,
      profileVersion: opening.profileVersion,
      variant: opening.variant ?? null,
      engineVersion: opening.engineVersion,
      settings: opening.settings,
      openedBy: person.id,
    });
  } catch (error) {
    // Another process opened it in the same moment.
    if (!(error instanceof UniqueConstraintError)) throw error;
  }
}

async function store(sequelize: Sequelize, events: readonly CallEvent[]): Promise<{ stored: number; known: number }> {
  return sequelize.transaction(async (transaction) => {
    const known = await LoggedEvent.findAll({ where: { id: events.map((e) => e.id) }, transaction });
    const byId = new Map(known.map((e) => [e.id, e]));
    for (const event of events) {
      const stored = byId.get(event.id);
      if (stored && canonical(asEvent(stored)) !== canonical(event))
        throw new Problem(
          409,
          'Event differs',
          `Event ${event.id} is stored with other contents. Events are never changed: send a correcting event with a new id.`,
        );
    }
    const fresh = events.filter((e, i) => !byId.has(e.id) && events.findIndex((o) => o.id === e.id) === i);
    await LoggedEvent.bulkCreate(fresh.map(eventRow), { transaction, ignoreDuplicates: true });
    return { stored: fresh.length, known: events.length - fresh.length };
  });
}

/** JSON with sorted keys, so that equal events compare equal however they were stored. */
function canonical(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(canonical).join(',')}]`;
  if (value !== null && typeof value === 'object')
    return `{${Object.entries(value)
      .filter(([, v]) => v !== undefined)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([k, v]) => `${JSON.stringify(k)}:${canonical(v)}`)
      .join(',')}}`;
  return JSON.stringify(value);
}
