import { createReadStream } from 'node:fs';
import { createInterface } from 'node:readline';
import { createGunzip } from 'node:zlib';
import { ENGINE_VERSION } from '@zetalysis/core/diagnosis';
import type { Priority } from '@zetalysis/core/schedule';
import { addDays } from '@zetalysis/core/upkeep';
import { buildOf, type CallEvent, mergeEvents } from '@zetalysis/core/visit';
import { v7 } from 'uuid';
import { Call, LoggedEvent } from '../features/calls/model';
import { eventRow } from '../features/calls/repository';
import { StoredDayItem } from '../features/days/model';
import { type Line, readLine } from '../features/exchange/lines';
import { Machine, StoredContact } from '../features/machines/model';
import { StoredPhoto } from '../features/photos/model';
import { prepared } from '../features/photos/pictures';
import type { Profiles } from '../features/profiles/service';
import { keepWords } from '../features/search/repository';
import { authorityOf, grantsText } from '../features/session/authority';
import { Person } from '../features/session/model';

export type Say = (done: string) => void;

/** So many calls are written at a time. */
const AT_ONCE = 50;
const DAY = 86_400_000;
/** How the calls of the day go to people and slots, in turn. */
const SLOTS = ['08:00-10:00', '', '10:00-12:00', '13:00-15:00', '', '15:00-17:00'] as const;
const PRIORITIES: readonly Priority[] = ['usual', 'frost', 'usual', 'usual'];

/** The lines of a shop's file, moved so that the day which it takes for today is today. */
async function linesOf(file: string): Promise<Line[]> {
  const lines: Line[] = [];
  let days: number | undefined;
  for await (const text of createInterface({ input: createReadStream(file).pipe(createGunzip()) })) {
    if (days === undefined) {
      const { today } = JSON.parse(text) as { today: string };
      days = Math.floor((Date.now() - Date.parse(`${today}T00:00:00Z`)) / DAY);
      continue;
    }
    const shift = days;
    const line = readLine(text.replace(/\b20\d\d-\d\d-\d\d(?=T[\d:.]+Z"|")/g, (day) => addDays(day, shift)));
    if ('wrong' in line) throw new Error(`The demo’s season cannot be read: ${line.wrong} Make it anew.`);
    lines.push(line);
  }
  return lines;
}

/** Loads the season into a database that has the demo's own people; gives its machines. */
export async function loadSeason(
  file: string,
  profiles: Profiles,
  known: readonly Person[],
  passwordHash: string,
  say: Say,
): Promise<{ readonly machines: readonly Machine[] }> {
  const lines = await linesOf(file);
  const of = <K extends Line['kind']>(kind: K): Extract<Line, { kind: K }>['value'][] =>
    lines.flatMap((line) => (line.kind === kind ? [line.value as never] : []));
  const people = new Map(known.map((p) => [p.name, p]));
  const names = new Map<string, string>();
  for (const { id, name, fullName, role, grants } of of('person')) {
    names.set(id, name);
    if (!people.has(name))
      people.set(
        name,
        await Person.create({ id, name, fullName, role, grants: grantsText(grants), units: 'us', passwordHash }),
      );
  }
  const machines = await Machine.bulkCreate(
    of('machine').map(({ createdAt, ...machine }) => ({ ...machine, createdAt: new Date(createdAt) })),
  );
  await StoredContact.bulkCreate(of('contact').map(({ machine, ...contact }) => ({ machineId: machine, ...contact })));
  const versions = new Map((await profiles.all()).map((p) => [p.id, p.version]));
  const calls = logsOf(of('entry').map(({ event }) => event));
  const waiting: (readonly [CallEvent])[] = [];
  for (let from = 0; from < calls.length; from += AT_ONCE) {
    say(`${from} of ${calls.length} calls`);
    const some = calls.slice(from, from + AT_ONCE).map((log) => asNow(log, versions));
    await Call.bulkCreate(some.map((log) => headOf(log, people)));
    await LoggedEvent.bulkCreate(
      some.flatMap((log) =>
        log.map((event, i) => eventRow({ event, number: i + 1 }, authorityOf(people.get(event.person)!))),
      ),
    );
    await keepWords(some.flat());
    for (const log of some) if (log.length === 1) waiting.push([log[0]!]);
  }
  for (const { id, call, person, type, hash, picture } of of('photo'))
    await StoredPhoto.create({
      ...{ id, callId: call, personId: people.get(names.get(person)!)!.id, type, hash },
      ...(await prepared(type as 'image/jpeg', Buffer.from(picture!, 'base64'))),
    });
  await StoredDayItem.bulkCreate(
    waiting.map(([{ call, person, body }], i) => ({
      id: v7(),
      day: new Date().toISOString().slice(0, 10),
      personId: people.get(person)!.id,
      position: (i + 1) * 10,
      callId: call,
      machineId: (body.type === 'opened' && body.machine) || null,
      duty: null,
      slot: SLOTS[i % SLOTS.length]!,
      priority: PRIORITIES[i % PRIORITIES.length]!,
      words: body.type === 'opened' ? body.complaint : '',
    })),
  );
  return { machines };
}

/** The entries of each call, in the order of the file. */
function logsOf(events: readonly CallEvent[]): CallEvent[][] {
  const logs = new Map<string, CallEvent[]>();
  for (const event of events) {
    const log = logs.get(event.call);
    if (log) log.push(event);
    else logs.set(event.call, [event]);
  }
  return [...logs.values()].map((log) => [...mergeEvents(log)]);
}

/** A call of the file as it would have been worked with what is shipped now; nothing of it lies ahead. */
function asNow(log: readonly CallEvent[], versions: ReadonlyMap<string, string>): CallEvent[] {
  const early = Math.max(0, Date.parse(log.at(-1)!.at) - Date.now() + 60_000);
  return log.map((event) => {
    const { body } = event;
    const at = early === 0 ? event.at : new Date(Date.parse(event.at) - early).toISOString();
    if (body.type !== 'opened') return { ...event, at };
    const profileVersion = versions.get(body.profile) ?? body.profileVersion;
    return { ...event, at, body: { ...body, profileVersion, engineVersion: ENGINE_VERSION } };
  });
}

function headOf(log: readonly CallEvent[], people: ReadonlyMap<string, Person>) {
  const [{ call, person, at, body }] = log as [CallEvent];
  if (body.type !== 'opened') throw new Error('A call of the demo’s season does not begin with its opening.');
  return {
    id: call,
    machineId: body.machine ?? null,
    complaint: body.complaint,
    profile: body.profile,
    profileVersion: body.profileVersion,
    build: buildOf(body),
    engineVersion: body.engineVersion,
    settings: body.settings,
    openedBy: people.get(person)!.id,
    createdAt: new Date(at),
  };
}
