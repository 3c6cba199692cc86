import {
  buildEntry,
  buildOf,
  type CallEvent,
  type EventBody,
  madeAt,
  type Refusal,
  refusalOf,
} from '@zetalysis/core/visit';
import type { MachineEntry } from '@zetalysis/core/history';
import type {
  CallHead,
  calls,
  CallSummary,
  NumberedEvent,
  RefusedEvent,
  Replied,
  Sent,
  Taken,
} from '@zetalysis/contract';
import { pageOf } from '../../http/page';
import { Problem } from '../../http/problem';
import { machinesWith, machineWith, shown } from '../machines/repository';
import type { Profiles } from '../profiles/service';
import { authorityOf } from '../session/authority';
import type { Person } from '../session/model';
import { everybody } from '../session/repository';
import { appendToLog, type Verdict } from './log';
import type { Call } from './model';
import {
  asEvent,
  authorityBeside,
  callWith,
  eventsAfter,
  callbacksAmongCalls,
  callsOnMachine,
  listCalls,
  type Listed,
  lookersOf,
  noteLooker,
  readingsOnMachine,
  watchedCalls,
} from './repository';

/** How many entries one answer holds. */
const PAGE = 500;

/** As many calls as a machine's page shows of its life. */
const MOST_OF_A_LIFE = 100;

/** As many readings as are looked at over time. */
const MOST_READINGS = 2000;

type Refused = Omit<RefusedEvent, 'id'>;

/** The calls of the shop and their logs. The server stores and serves; it never needs the engine to accept an event. */
export class Calls {
  constructor(private readonly profiles: Profiles) {}

  async list(query: Sent<typeof calls.list>['query']): Promise<Replied<typeof calls.list>> {
    const { state, sort = 'opened' } = query;
    const { listed, total } = await listCalls({
      ...pageOf(query, sort === 'opened' ? 'down' : 'up'),
      sort,
      open: state === undefined ? undefined : state === 'open',
    });
    return { calls: await summaries(listed), total };
  }

  /** Calls on which a bypass, a danger or a late entry stands. */
  async watch(): Promise<CallSummary[]> {
    return summaries(await watchedCalls());
  }

  /** The newest calls on a machine. */
  async ofMachine(machine: string): Promise<CallSummary[]> {
    return summaries(await callsOnMachine(machine, MOST_OF_A_LIFE));
  }

  /** What was read, mended and recommended on a machine, the newest first. */
  async readings(machine: string): Promise<MachineEntry[]> {
    const events = (await readingsOnMachine(machine, MOST_READINGS)).map(asEvent);
    return events.map((event) => ({ id: event.id, call: event.call, at: madeAt(event), body: event.body }));
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

  /** What a call took after an entry. */
  async events(id: string, after: number): Promise<Replied<typeof calls.events>> {
    const [{ rows, last }, looking] = await Promise.all([eventsAfter(id, after, PAGE), lookersOf(id)]);
    if (last === 0) await known(id);
    const entries = rows.map((row): NumberedEvent => {
      const as = authorityBeside(row);
      return { number: row.number, event: asEvent(row), ...(as && { as }) };
    });
    return { entries, last, looking };
  }

  /** Somebody looks at a call. */
  async look(id: string, person: Person): Promise<void> {
    await known(id);
    await noteLooker(id, person.id);
  }

  /**
   * Takes entries into the log of a call, each by itself: one that cannot be taken does not hold up the others. Sending again
   * what is known changes nothing. Throws the problem of the first when none can be taken.
   */
  async send(id: string, events: readonly CallEvent[], person: Person): Promise<Taken> {
    const refused = new Map<CallEvent, Refused>();
    for (const event of events) {
      const reason = strange(id, event, person) ?? (await this.unpinned(event.body));
      if (reason) refused.set(event, reason);
    }
    const verdicts = await appendToLog<Refused>(
      id,
      events.filter((e) => !refused.has(e)),
      {
        refuse: (event, log) => {
          const refusal = refusalOf(event, log);
          return refusal && sayRefusal(refusal);
        },
        head: (opening) => headOf(id, opening, person),
        authority: authorityOf(person),
      },
    );
    return taken([...[...refused].map(([event, reason]) => ({ id: event.id, refused: reason })), ...verdicts]);
  }

  /** What an opening entry pins has to be here. */
  private async unpinned(body: EventBody): Promise<Refused | undefined> {
    if (body.type !== 'opened') return undefined;
    const problem = await this.profiles.missing(body.profile, body.profileVersion, buildOf(body));
    if (problem !== undefined) return { status: 400, title: 'Unknown profile', detail: problem };
    if (body.machine !== undefined && !(await machineWith(body.machine)))
      return {
        status: 400,
        title: 'Unknown machine',
        detail: 'The machine of this call is not in the register. Add it first, or open the call without it.',
      };
    return undefined;
  }
}

/** Why an entry cannot be of this call, or from this person. */
function strange(call: string, event: CallEvent, { name }: Person): Refused | undefined {
  if (event.call !== call)
    return {
      status: 400,
      title: 'Wrong call',
      detail: `Event ${event.id} belongs to call ${event.call}, not to ${call}. Send it there.`,
    };
  if (event.person !== name)
    return {
      status: 403,
      title: 'Somebody else’s event',
      detail: `Event ${event.id} was made by ${event.person}. Sign in as ${event.person} to send it.`,
    };
  return undefined;
}

const headOf = (id: string, opening: Extract<EventBody, { type: 'opened' }>, person: Person) => ({
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

function sayRefusal(refusal: Refusal): Refused {
  switch (refusal.message) {
    case 'not-opened':
      return {
        status: 404,
        title: 'No such call',
        detail:
          'There is no call with this number. Send its opening event first; it is still on the device that opened the call.',
      };
    case 'opened-already':
      return {
        status: 409,
        title: 'Opened already',
        detail: 'This call was opened already, and a call is opened once. Open a new call for something else.',
      };
    case 'not-by-hand':
      return {
        status: 403,
        title: 'Not by hand',
        detail: 'Words are taken out of a log by whoever runs the server, with its command.',
      };
    case 'clock':
      return {
        status: 400,
        title: 'Clock runs away',
        detail: `seq is ${refusal.data.clock}; at most ${refusal.data.most} can come next in this call. Fetch the call again and make the entry anew.`,
      };
    case 'points-nowhere':
      return {
        status: 400,
        title: 'Points nowhere',
        detail: `There is no entry ${refusal.data.event} in this call to take back or to settle. Send that one first.`,
      };
  }
}

function taken(verdicts: readonly Verdict<Refused>[]): Taken {
  const acknowledged = verdicts.flatMap((v) => ('number' in v ? [{ id: v.id, number: v.number }] : []));
  const refused = verdicts.flatMap((v): RefusedEvent[] =>
    'refused' in v ? [{ id: v.id, ...v.refused }] : 'differs' in v ? [{ id: v.id, ...differs(v.id) }] : [],
  );
  const [first] = refused;
  if (first && acknowledged.length === 0)
    throw new Problem(first.status, first.title, first.detail, refused.length > 1 ? { refused } : {});
  return { acknowledged, refused };
}

const differs = (id: string): Refused => ({
  status: 409,
  title: 'Event differs',
  detail: `Event ${id} is stored with other contents. Events are never changed: send a correcting event with a new id.`,
});

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

async function summaries(listed: readonly Listed[]): Promise<CallSummary[]> {
  const [machines, people, came] = await Promise.all([
    machinesWith(listed.flatMap(({ call }) => call.machineId ?? [])),
    everybody(),
    callbacksAmongCalls(listed.map(({ call }) => call.id)),
  ]);
  const nameOf = new Map(people.map((p) => [p.id, p.fullName]));
  const byId = new Map(machines.map((m) => [m.id, shown(m)]));
  return listed.map(({ call, overview }) => ({
    id: call.id,
    person: nameOf.get(call.openedBy) ?? '',
    complaint: call.complaint,
    profile: call.profile,
    build: buildEntry(call.build),
    openedAt: call.createdAt.toISOString(),
    machine: (call.machineId !== null && byId.get(call.machineId)) || null,
    callbackOf: came.get(call.id) ?? null,
    overview: overview.body,
  }));
}
