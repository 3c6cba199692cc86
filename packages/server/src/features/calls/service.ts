import { buildEntry, buildOf, type CallEvent, type EventBody } from '@zetalysis/core/visit';
import type { CallHead, CallSummary } from '@zetalysis/contract';
import { Problem } from '../../http/problem';
import { machinesWith, machineWith, shown } from '../machines/repository';
import type { Profiles } from '../profiles/service';
import type { Person } from '../session/model';
import { canonical } from './canonical';
import type { Call, LoggedEvent } from './model';
import { addCall, asEvent, callWith, eventsAfter, eventsOfTypes, newestCalls, storeEvents } from './repository';

/** How many calls a list shows, and how many events one answer holds. */
const LISTED = 200;
const PAGE = 500;

/** Entries that decide what a list shows of a call. */
const SHOWN: readonly EventBody['type'][] = ['setup', 'danger', 'danger-over', 'break-recorded', 'closed', 'retracted'];

/** The calls of the shop and their logs. The server stores and serves; it never needs the engine to accept an event. */
export class Calls {
  constructor(private readonly profiles: Profiles) {}

  async list(): Promise<CallSummary[]> {
    const calls = await newestCalls(LISTED);
    const [machines, ends] = await Promise.all([
      machinesWith(calls.flatMap((c) => c.machineId ?? [])),
      eventsOfTypes(
        calls.map((c) => c.id),
        SHOWN,
      ),
    ]);
    const byId = new Map(machines.map((m) => [m.id, shown(m)]));
    const retracted = new Set(ends.flatMap(({ body }) => (body.type === 'retracted' ? [body.event] : [])));
    return calls.map((call) =>
      summaryOf(
        call,
        byId.get(call.machineId ?? '') ?? null,
        ends.filter((e) => e.callId === call.id && !retracted.has(e.id)),
      ),
    );
  }

  async read(id: string): Promise<CallHead> {
    const call = await known(id);
    const machine = call.machineId === null ? null : await machineWith(call.machineId);
    return {
      id: call.id,
      complaint: call.complaint,
      profile: call.profile,
      profileVersion: call.profileVersion,
      build: buildEntry(call.build),
      engineVersion: call.engineVersion,
      settings: call.settings,
      openedAt: call.createdAt.toISOString(),
      machine: machine && shown(machine),
    };
  }

  /** What came to a call after a cursor. */
  async events(id: string, after: number): Promise<{ events: CallEvent[]; cursor: number; more: boolean }> {
    const call = await known(id);
    const found = await eventsAfter(call.id, after, PAGE);
    return {
      events: found.map(asEvent),
      cursor: found.length > 0 ? Number(found.at(-1)!.arrival) : after,
      more: found.length === PAGE,
    };
  }

  /** Takes events into the log of a call. Sending again what is known changes nothing. */
  async send(id: string, events: readonly CallEvent[], person: Person): Promise<{ stored: number; known: number }> {
    const stray = events.find((e) => e.call !== id);
    if (stray)
      throw new Problem(
        400,
        'Wrong call',
        `Event ${stray.id} belongs to call ${stray.call}, not to ${id}. Send it there.`,
      );
    const foreign = events.find((e) => e.person !== person.name);
    if (foreign)
      throw new Problem(
        403,
        'Somebody else’s event',
        `Event ${foreign.id} was made by ${foreign.person}. Sign in as ${foreign.person} to send it.`,
      );
    await this.open(id, events, person);
    return storeEvents(events, sameContents);
  }

  /** The first event of a call opens it and pins its versions. */
  private async open(id: string, events: readonly CallEvent[], person: Person): Promise<void> {
    if (await callWith(id)) return;
    const opening = events.find((e) => e.body.type === 'opened')?.body;
    if (opening?.type !== 'opened')
      throw new Problem(
        404,
        'No such call',
        'There is no call with this number. Send its opening event first; it is still on the device that opened the call.',
      );
    await this.profiles.get(opening.profile, 400);
    if (opening.machine !== undefined && !(await machineWith(opening.machine)))
      throw new Problem(
        400,
        'Unknown machine',
        'The machine of this call is not in the register. Add it first, or open the call without it.',
      );
    await addCall({
      id,
      machineId: opening.machine ?? null,
      complaint: opening.complaint,
      profile: opening.profile,
      profileVersion: opening.profileVersion,
      build: buildOf(opening),
      engineVersion: opening.engineVersion,
      settings: opening.settings,
      openedBy: person.id,
    });
  }
}

async function known(id: string): Promise<Call> {
  const call = await callWith(id);
  if (!call)
    throw new Problem(
      404,
      'No such call',
      'There is no call with this number. It may not have been sent from the device it was opened on.',
    );
  return call;
}

function sameContents(stored: CallEvent, sent: CallEvent): void {
  if (canonical(stored) !== canonical(sent))
    throw new Problem(
      409,
      'Event differs',
      `Event ${sent.id} is stored with other contents. Events are never changed: send a correcting event with a new id.`,
    );
}

function summaryOf(call: Call, machine: CallSummary['machine'], ends: readonly LoggedEvent[]): CallSummary {
  const last = <T extends EventBody['type']>(type: T) =>
    ends.filter((e) => e.type === type).at(-1)?.body as Extract<EventBody, { type: T }> | undefined;
  const record = last('break-recorded');
  return {
    id: call.id,
    complaint: call.complaint,
    profile: call.profile,
    build: buildEntry(call.build),
    openedAt: call.createdAt.toISOString(),
    machine,
    bypassed: last('setup')?.bypassed ?? [],
    record: record
      ? { part: record.part, failure: record.failure, cause: record.cause, standing: record.standing }
      : null,
    closed: ends.some((e) => e.type === 'closed'),
  };
}
