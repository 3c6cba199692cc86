import { randomBytes } from 'node:crypto';
import { type BroughtIn, type exchange, type Replied, SHOP_FILE } from '@zetalysis/contract';
import { isRateBook } from '@zetalysis/core/book';
import { buildOf, refusalOf } from '@zetalysis/core/visit';
import { Call, LoggedEvent } from '../calls/model';
import { canonical } from '../calls/canonical';
import { appendToLog } from '../calls/log';
import { asEvent } from '../calls/repository';
import { Machine, StoredContact } from '../machines/model';
import { shown } from '../machines/repository';
import { StoredPhoto } from '../photos/model';
import { authorityFrom, grantsText } from '../session/authority';
import { Person } from '../session/model';
import { hashPassword } from '../session/password';
import { everybody } from '../session/repository';
import { BenchLimit } from '../limits/model';
import { StoredInstrument } from '../instruments/model';
import { StoredPublication, StoredRates } from '../patterns/model';
import { ShopSettingsVersion } from '../shop/model';
import { StoredItem, StoredLeast, StoredMove } from '../stock/model';
import { DutyDone, DutyPlan } from '../upkeep/model';
import { type Line, readLine } from './lines';

/** What would become of a line, or became of it. */
type Verdict = Pick<BroughtIn, 'becomes' | 'words'>;

const NEW: Verdict = { becomes: 'new', words: '' };
const SAME: Verdict = { becomes: 'same', words: '' };
const differs = (words: string): Verdict => ({ becomes: 'differs', words });
const wrong = (words: string): Verdict => ({ becomes: 'wrong', words });

/** What the lines before have brought, for lines that point at it. */
class Brought {
  readonly machines = new Set<string>();
  readonly calls = new Set<string>();
  readonly people = new Map<string, string>();
  /** What people of the file are called here, by their ids there. */
  readonly ids = new Map<string, string>();
  readonly versions = new Set<number>();
}

/**
 * Brings a shop's file in, line by line: what is here already stays as it is, whether it is the same or not; what is new is added.
 * Doing it again changes nothing. In a dry run nothing is written, and every line says what would become of it.
 */
export async function bringIn(text: string, dry: boolean): Promise<Replied<typeof exchange.bringIn>> {
  const lines = text.split(/\r?\n/);
  const brought = new Brought();
  for (const person of await everybody()) brought.people.set(person.name, person.id);
  const said: BroughtIn[] = [];
  const counts = { new: 0, same: 0, differs: 0, wrong: 0 };
  for (const [i, line] of lines.entries()) {
    if (line.trim() === '') continue;
    const { kind, verdict } = await one(line, said.length === 0 && i === 0, brought, dry);
    if (!verdict) continue;
    counts[verdict.becomes] += 1;
    // What is the same needs no line of its own, and a file may have millions.
    if (verdict.becomes !== 'same' && said.length < MOST_SAID) said.push({ line: i + 1, kind, ...verdict });
  }
  return { counts, lines: said };
}

/** So many lines are told; the counts tell the rest. */
const MOST_SAID = 500;

async function one(
  text: string,
  first: boolean,
  brought: Brought,
  dry: boolean,
): Promise<{ kind: string; verdict: Verdict | undefined }> {
  if (first && text.includes('"format"')) {
    const isOurs = text.includes(`"${SHOP_FILE}"`);
    return {
      kind: 'head',
      verdict: isOurs ? undefined : wrong(`This file is not ${SHOP_FILE}. Take it out of a shop anew.`),
    };
  }
  const line = readLine(text);
  if ('wrong' in line) return { kind: '?', verdict: wrong(line.wrong) };
  return { kind: line.kind, verdict: await take(line, brought, dry) };
}

async function take(line: Line, brought: Brought, dry: boolean): Promise<Verdict> {
  switch (line.kind) {
    case 'person':
      return takePerson(line.value, brought, dry);
    case 'machine':
      return takeMachine(line.value, brought, dry);
    case 'contact':
      return takeContact(line.value, brought, dry);
    case 'duty':
      return takeDuty(line.value, brought, dry);
    case 'plan':
      return takeWritten(line.value, line.value.machine, brought, dry, DutyPlan, ({ duty, every }) => ({
        duty,
        every,
      }));
    case 'limit':
      return takeWritten(line.value, line.value.machine, brought, dry, BenchLimit, (v) => ({
        ...{ test: v.test, measure: v.measure, field: v.field, typed: v.typed, source: v.source },
      }));
    case 'settings':
      return takeSettings(line.value, brought, dry);
    case 'instrument':
      return takeInstrument(line.value, dry);
    case 'stock-item':
      return takeWritten(
        line.value,
        null,
        brought,
        dry,
        StoredItem,
        ({ id, item, title, number, price, room, fits }) => ({
          ...{ rowId: id, id: item, title, number, price, room, fits },
        }),
      );
    case 'stock-move':
      return takeWritten(line.value, null, brought, dry, StoredMove, ({ item, place, units, why }) => ({
        ...{ itemId: item, place: placeHere(place, brought), units, why },
      }));
    case 'stock-least':
      return takeWritten(line.value, null, brought, dry, StoredLeast, ({ id, item, place, least }) => ({
        ...{ rowId: id, itemId: item, place: placeHere(place, brought), least },
      }));
    case 'rates':
      return takeRates(line.value, brought, dry);
    case 'rates-published':
      return takePublished(line.value, brought, dry);
    case 'entry':
      return takeEntry(line.value, brought, dry);
    case 'photo':
      return takePhoto(line.value, brought, dry);
  }
}

type Of<K extends Line['kind']> = Extract<Line, { kind: K }>['value'];

/** Somebody of another shop comes with a shut account: an admin opens it with a new password. */
async function takePerson(person: Of<'person'>, brought: Brought, dry: boolean): Promise<Verdict> {
  const known = await Person.findOne({ where: { name: person.name } });
  brought.ids.set(person.id, known?.id ?? person.id);
  if (known) {
    brought.people.set(person.name, known.id);
    return known.fullName === person.fullName && known.role === person.role
      ? SAME
      : differs(`${person.name} is ${known.fullName}, ${known.role}, here: that stays.`);
  }
  brought.people.set(person.name, person.id);
  if (!dry)
    await Person.create({
      id: person.id,
      name: person.name,
      fullName: person.fullName,
      role: person.role,
      grants: grantsText(person.grants),
      units: 'us',
      passwordHash: await hashPassword(randomBytes(24).toString('base64url')),
      disabled: true,
      mustChange: true,
    });
  return NEW;
}

async function takeMachine(machine: Of<'machine'>, brought: Brought, dry: boolean): Promise<Verdict> {
  brought.machines.add(machine.id);
  const known = await Machine.findByPk(machine.id);
  if (known)
    return canonicalText(shown(known)) === canonicalText(machine)
      ? SAME
      : differs(`${known.label} is here: it stays as it is.`);
  const { createdAt, mergedInto, retired, ...rest } = machine;
  if (!dry)
    await Machine.create({
      ...rest,
      retired,
      mergedInto,
      gone: retired !== null || mergedInto !== null,
      createdAt: new Date(createdAt),
    });
  return NEW;
}

async function takeContact({ machine, ...contact }: Of<'contact'>, brought: Brought, dry: boolean): Promise<Verdict> {
  if (!(await hasMachine(machine, brought))) return wrong('Its machine is neither here nor in a line before it.');
  const known = await StoredContact.findByPk(machine);
  if (known) {
    const { customer, telephone, access } = known;
    return canonicalText({ customer, telephone, access }) === canonicalText(contact)
      ? SAME
      : differs('Another customer is noted here.');
  }
  if (!dry) await StoredContact.create({ machineId: machine, ...contact });
  return NEW;
}

async function takeDuty(done: Of<'duty'>, brought: Brought, dry: boolean): Promise<Verdict> {
  const { machine, call, at, ...rest } = done;
  if (!(await hasMachine(machine, brought))) return wrong('Its machine is neither here nor in a line before it.');
  if (await DutyDone.findByPk(done.id)) return SAME;
  if (!dry) await DutyDone.create({ ...rest, machineId: machine, callId: call, createdAt: new Date(at) });
  return NEW;
}

/** Something that somebody wrote down of a machine, or of the shop: every one is a row of its own that nobody changes. */
async function takeWritten<V extends { id: string; person: string; at: string }>(
  value: V,
  machine: string | null,
  brought: Brought,
  dry: boolean,
  model: { findByPk(id: string): Promise<unknown>; create(row: never): Promise<unknown> },
  fields: (value: V) => object,
): Promise<Verdict> {
  if (await model.findByPk(value.id)) return SAME;
  if (machine !== null && !(await hasMachine(machine, brought)))
    return wrong('Its machine is neither here nor in a line before it.');
  const personId = await hereAs(value.person, brought);
  if (personId === undefined) return wrong('Whoever wrote it is neither here nor in a line before it.');
  const row = { id: value.id, machineId: machine, personId, createdAt: new Date(value.at), ...fields(value) };
  if (!dry) await model.create(row as never);
  return NEW;
}

async function takeSettings(given: Of<'settings'>, brought: Brought, dry: boolean): Promise<Verdict> {
  const { id, person, at, hour, ...rest } = given;
  if (await ShopSettingsVersion.findByPk(id)) return SAME;
  const personId = await hereAs(person, brought);
  if (personId === undefined) return wrong('Whoever set it is neither here nor in a line before it.');
  const row = { id, personId, createdAt: new Date(at), hour: hour === null ? null : hour.toFixed(2), ...rest };
  if (!dry) await ShopSettingsVersion.create(row);
  return NEW;
}

async function takeInstrument({ id, instrument }: Of<'instrument'>, dry: boolean): Promise<Verdict> {
  const known = await StoredInstrument.findOne({ where: { serial: instrument.serial } });
  if (known)
    return known.id === id ? SAME : differs(`An instrument with the serial number ${instrument.serial} is here.`);
  if (!dry) await StoredInstrument.create({ ...instrument, id });
  return NEW;
}

/** The van of somebody of the file is that of who they are here. */
const placeHere = (place: string, { ids }: Brought): string => ids.get(place) ?? place;

/** Rates that were learned keep their number, by which calls name them; another shop’s under the same number stay there. */
async function takeRates(given: Of<'rates'>, brought: Brought, dry: boolean): Promise<Verdict> {
  const { version, person, at, words, cases, book } = given;
  const known = await StoredRates.findByPk(version);
  if (known) return known.book === book ? SAME : differs(`Version ${version} of the rates is another one here.`);
  if (!isRateBook(parsed(book))) return wrong('Its book cannot be read. Take the file out anew.');
  const byId = await hereAs(person, brought);
  if (byId === undefined) return wrong('Whoever kept it is neither here nor in a line before it.');
  brought.versions.add(version);
  if (!dry) await StoredRates.create({ version, byId, words, cases, book, createdAt: new Date(at) });
  return NEW;
}

async function takePublished(given: Of<'rates-published'>, brought: Brought, dry: boolean): Promise<Verdict> {
  const { id, version, person, at, words } = given;
  if (await StoredPublication.findByPk(id)) return SAME;
  if (version !== null && !brought.versions.has(version) && !(await StoredRates.findByPk(version)))
    return wrong('Its version of the rates is neither here nor in a line before it.');
  const byId = await hereAs(person, brought);
  if (byId === undefined) return wrong('Whoever published it is neither here nor in a line before it.');
  if (!dry) await StoredPublication.create({ id, version, byId, words, createdAt: new Date(at) });
  return NEW;
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

/** Who somebody of the file is here; nothing where they are nobody. */
async function hereAs(person: string, { ids }: Brought): Promise<string | undefined> {
  return ids.get(person) ?? (await Person.findByPk(person))?.id;
}

async function takeEntry({ event, as }: Of<'entry'>, brought: Brought, dry: boolean): Promise<Verdict> {
  const { body } = event;
  const stored = await LoggedEvent.findOne({ where: { id: event.id }, raw: true });
  if (stored) {
    brought.calls.add(event.call);
    // Words that were taken out here do not come back.
    if (stored.hash !== null) return SAME;
    return canonical(asEvent(stored)) === canonical(event) ? SAME : differs('Another entry is here under its id.');
  }
  if (body.type === 'opened') {
    if (await Call.findByPk(event.call)) return wrong('This call was opened here by another entry.');
    if (body.machine !== undefined && !(await hasMachine(body.machine, brought)))
      return wrong('Its machine is neither here nor in a line before it.');
    if (!brought.people.has(event.person))
      return wrong(`Nobody is called ${event.person}, here or in a line before it.`);
    brought.calls.add(event.call);
  } else if (!brought.calls.has(event.call) && !(await Call.findByPk(event.call)))
    return wrong('The entry that opens its call is neither here nor in a line before it.');
  if (dry) return NEW;
  const [verdict] = await appendToLog<string>(event.call, [event], {
    refuse: (e, log) => {
      // What points at another entry may point at one that was taken out of the file: the log it comes from had it.
      const refusal = e.body.type === 'redacted' ? undefined : refusalOf(e, log);
      return refusal && `It does not fit into the log of its call (${refusal.message}).`;
    },
    head: (opening) => ({
      id: event.call,
      machineId: opening.machine ?? null,
      complaint: opening.complaint,
      profile: opening.profile,
      profileVersion: opening.profileVersion,
      build: buildOf(opening),
      engineVersion: opening.engineVersion,
      settings: opening.settings,
      openedBy: brought.people.get(event.person)!,
      createdAt: new Date(event.at),
    }),
    authority: as === null ? undefined : authorityFrom(as),
  });
  return verdict && 'refused' in verdict ? wrong(verdict.refused) : NEW;
}

async function takePhoto(photo: Of<'photo'>, brought: Brought, dry: boolean): Promise<Verdict> {
  const { id, call, person, type, hash, picture } = photo;
  const known = await StoredPhoto.findByPk(id);
  if (known) return known.hash === hash ? SAME : differs('Another photo is here under its id.');
  if (!brought.calls.has(call) && !(await Call.findByPk(call)))
    return wrong('Its call is neither here nor in a line before it.');
  const by = await hereAs(person, brought);
  if (by === undefined) return wrong('Whoever took it is neither here nor in a line before it.');
  if (!dry)
    await StoredPhoto.create({
      id,
      callId: call,
      personId: by,
      type,
      hash,
      picture: picture === null ? null : Buffer.from(picture, 'base64'),
      thumbnail: null,
    });
  return NEW;
}

const hasMachine = async (id: string, { machines }: Brought): Promise<boolean> =>
  machines.has(id) || (await Machine.count({ where: { id } })) > 0;

/** The same whatever the order of its fields. */
const canonicalText = (value: object): string =>
  JSON.stringify(value, (_, v: unknown) =>
    typeof v === 'object' && v !== null && !Array.isArray(v)
      ? Object.fromEntries(Object.entries(v).sort(([a], [b]) => (a < b ? -1 : 1)))
      : v,
  );
