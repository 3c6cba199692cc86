import type { DayItem, days, NewDayItem, Sent } from '@zetalysis/contract';
import { readSlot, timeWords } from '@zetalysis/core/schedule';
import { type Day, dutyWith, isDay } from '@zetalysis/core/upkeep';
import { Problem } from '../../http/problem';
import { callWith, openAmong } from '../calls/repository';
import { machinesWith } from '../machines/repository';
import type { Person } from '../session/model';
import { personWith } from '../session/repository';
import type { StoredDayItem } from './model';
import { addRow, itemsOn, itemWith, moveRow, removeRow } from './repository';

/** What everybody has to do on a day. */
export async function dayOf(day: Day): Promise<DayItem[]> {
  checkDay(day);
  return shown(await itemsOn(day));
}

/** Puts a call or a duty last in somebody's day; a call leaves the day on which it stood. Throws a Problem. */
export async function addItem(asker: Person, given: NewDayItem): Promise<DayItem> {
  const { day, person, call, duty } = given;
  await checkPlace(asker, day, person);
  const slot = slotOf(given.slot);
  const head = call === null ? null : await callWith(call);
  if (call !== null && !head) throw new Problem(404, 'No such call', 'There is no call with this number.');
  const machineId = head ? head.machineId : given.machine;
  if (call === null && (duty === null || machineId === null))
    throw new Problem(400, 'What?', 'Name a call, or a duty and the machine that asks for it.');
  if (machineId !== null && (await machinesWith([machineId])).length === 0)
    throw new Problem(404, 'No such machine', 'This machine is not in the register.');
  const words = (head?.complaint ?? (duty && dutyWith(duty)!.title) ?? '').slice(0, 200);
  const priority = given.priority;
  const item = await addRow({ day, personId: person, callId: call, machineId, duty, slot, priority, words });
  return (await shown([item]))[0]!;
}

/** Moves an item to another place, day or person. Throws a Problem. */
export async function moveItem(asker: Person, id: string, to: Sent<typeof days.move>['body']): Promise<DayItem> {
  const item = await known(id);
  await checkPlace(asker, to.day, to.person);
  if (item.personId !== to.person) mayPlan(asker, item.personId);
  const slot = slotOf(to.slot);
  const moved = { day: to.day, personId: to.person, slot, priority: to.priority };
  if (!(await moveRow(item, moved, to.before)))
    throw new Problem(409, 'Moved meanwhile', 'What it should stand before is not on that day any more.');
  return (await shown([await known(id)]))[0]!;
}

export async function removeItem(asker: Person, id: string): Promise<void> {
  const item = await known(id);
  mayPlan(asker, item.personId);
  await removeRow(item);
}

async function known(id: string): Promise<StoredDayItem> {
  const item = await itemWith(id);
  if (!item) throw new Problem(404, 'Not on any day', 'Somebody took it off meanwhile. Look at the day again.');
  return item;
}

/** One's own day is anybody's to order; those of others are for leads and the office. */
function mayPlan(asker: Person, personId: string): void {
  if (asker.id !== personId && asker.role !== 'lead' && asker.role !== 'admin')
    throw new Problem(403, 'Not yours to plan', 'A lead or the office plans the days of others. Ask one of them.');
}

async function checkPlace(asker: Person, day: Day, personId: string): Promise<void> {
  checkDay(day);
  mayPlan(asker, personId);
  const person = await personWith(personId);
  if (!person || person.disabled) throw new Problem(404, 'No such person', 'Nobody works here under this number.');
}

function checkDay(day: Day): void {
  if (!isDay(day)) throw new Problem(400, 'No such day', `${day} is not in the calendar. Write a day as 2026-11-30.`);
}

/** A slot as it is kept: `09:00-11:00`, or empty. */
function slotOf(text: string): string {
  const read = readSlot(text);
  if ('wrong' in read) throw new Problem(400, 'Not understood', read.wrong);
  return read.slot ? `${timeWords(read.slot.from)}-${timeWords(read.slot.to)}` : '';
}

async function shown(rows: readonly StoredDayItem[]): Promise<DayItem[]> {
  const calls = rows.flatMap(({ callId }) => callId ?? []);
  const [machines, open] = await Promise.all([
    machinesWith(rows.flatMap(({ machineId }) => machineId ?? [])),
    openAmong(calls),
  ]);
  const byId = new Map(machines.map(({ id, label, site }) => [id, { id, label, site }]));
  return rows.map(({ id, day, personId, callId, duty, machineId, words, slot, priority }) => ({
    id,
    day,
    person: personId,
    call: callId,
    duty,
    machine: (machineId !== null && byId.get(machineId)) || null,
    words,
    slot,
    priority,
    over: callId !== null && !open.has(callId),
  }));
}
