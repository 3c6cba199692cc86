import { SHOP_FILE } from '@zetalysis/contract';
import { Op } from 'sequelize';
import { Call, LoggedEvent } from '../calls/model';
import { asEvent } from '../calls/repository';
import { Machine, StoredContact } from '../machines/model';
import { shown } from '../machines/repository';
import { StoredPhoto } from '../photos/model';
import { colleague } from '../people/service';
import { Person } from '../session/model';
import { BenchLimit } from '../limits/model';
import { StoredInstrument } from '../instruments/model';
import { ShopSettingsVersion } from '../shop/model';
import { settingsOf } from '../shop/service';
import { StoredPublication, StoredRates } from '../patterns/model';
import { StoredItem, StoredLeast, StoredMove } from '../stock/model';
import { DutyDone, DutyPlan } from '../upkeep/model';
import type { Line } from './lines';

/** So many rows are read at a time. */
const PAGE = 500;

const text = (line: Line): string => `${JSON.stringify({ kind: line.kind, ...line.value })}\n`;

/** Of what is taken out: the whole shop, or one machine with all that belongs to it. */
export interface Wanted {
  readonly machine?: string;
  readonly photos: boolean;
}

/** A shop as JSON lines, read piece by piece: people without their passwords, machines, whose they are, upkeep, every entry. */
export async function* shopLines({ machine, photos }: Wanted): AsyncGenerator<string> {
  yield `${JSON.stringify({ format: SHOP_FILE, made: new Date().toISOString() })}\n`;
  for (const person of await Person.findAll({ order: ['id'] })) {
    const { disabled: _disabled, ...value } = colleague(person);
    yield text({ kind: 'person', value });
  }
  const ofMachine = machine === undefined ? {} : { machineId: machine };
  for (const row of await Machine.findAll({ where: machine === undefined ? {} : { id: machine }, order: ['id'] }))
    yield text({ kind: 'machine', value: shown(row) });
  for (const { machineId, customer, telephone, access } of await StoredContact.findAll({
    where: ofMachine,
    order: ['machineId'],
    raw: true,
  }))
    yield text({ kind: 'contact', value: { machine: machineId, customer, telephone, access } });
  for await (const row of paged((after) =>
    DutyDone.findAll({ where: { ...ofMachine, id: { [Op.gt]: after } }, order: ['id'], limit: PAGE, raw: true }),
  )) {
    const { id, machineId, duty, day, result, words, by, callId, createdAt } = row;
    const at = new Date(createdAt).toISOString();
    yield text({ kind: 'duty', value: { machine: machineId, id, duty, day, result, words, by, call: callId, at } });
  }
  for (const { id, machineId, duty, every, personId, createdAt } of await DutyPlan.findAll({
    where: ofMachine,
    order: ['id'],
    raw: true,
  }))
    yield text({ kind: 'plan', value: { id, machine: machineId, duty, every, person: personId, at: iso(createdAt) } });
  for (const row of await BenchLimit.findAll({ where: ofMachine, order: ['id'], raw: true })) {
    const { id, machineId, test, measure, field, typed, source, personId, createdAt } = row;
    const value = { id, machine: machineId, test, measure, field, typed, source, person: personId, at: iso(createdAt) };
    yield text({ kind: 'limit', value });
  }
  if (machine === undefined) yield* ofTheShop();
  for await (const { id } of paged((after) =>
    Call.findAll({
      attributes: ['id'],
      where: { ...ofMachine, id: { [Op.gt]: after } },
      order: ['id'],
      limit: PAGE,
      raw: true,
    }),
  )) {
    for (const row of await LoggedEvent.findAll({ where: { callId: id }, order: ['number'], raw: true }))
      yield text({ kind: 'entry', value: { event: asEvent(row), as: row.authority } });
    if (!photos) continue;
    for (const { id: photo, personId, type, hash, picture } of await StoredPhoto.findAll({
      where: { callId: id },
      order: ['id'],
      raw: true,
    }))
      yield text({
        kind: 'photo',
        value: { id: photo, call: id, person: personId, type, hash, picture: picture && picture.toString('base64') },
      });
  }
}

const iso = (at: Date): string => new Date(at).toISOString();

/** What belongs to no machine: what stands on the paper, what is measured with, the stock, and the rates that were learned. */
async function* ofTheShop(): AsyncGenerator<string> {
  for (const row of await ShopSettingsVersion.findAll({ order: ['id'], raw: true })) {
    const { id, personId, createdAt } = row;
    yield text({ kind: 'settings', value: { id, person: personId, at: iso(createdAt), ...settingsOf(row) } });
  }
  for (const row of await StoredInstrument.findAll({ order: ['id'] })) {
    const { id, kind, title, serial, classes, calibrated, due, leadZero, retired } = row;
    const instrument = { kind, title, serial, classes, calibrated, due, leadZero, retired };
    yield text({ kind: 'instrument', value: { id, instrument } });
  }
  for (const row of await StoredItem.findAll({ order: ['rowId'] })) {
    const { rowId, id, title, number, price, room, fits, personId, createdAt } = row;
    const item = { title, number, price, room, fits };
    yield text({ kind: 'stock-item', value: { id: rowId, person: personId, at: iso(createdAt), item: id, ...item } });
  }
  for await (const row of paged((after) =>
    StoredMove.findAll({ where: { id: { [Op.gt]: after } }, order: ['id'], limit: PAGE, raw: true }),
  )) {
    const { id, itemId, place, units, why, personId, createdAt } = row;
    yield text({
      kind: 'stock-move',
      value: { id, person: personId, at: iso(createdAt), item: itemId, place, units, why },
    });
  }
  for (const { rowId, itemId, place, least, personId, createdAt } of await StoredLeast.findAll({
    order: ['rowId'],
    raw: true,
  }))
    yield text({
      kind: 'stock-least',
      value: { id: rowId, person: personId, at: iso(createdAt), item: itemId, place, least },
    });
  for (const { version, byId, words, cases, book, createdAt } of await StoredRates.findAll({
    order: ['version'],
    raw: true,
  }))
    yield text({ kind: 'rates', value: { version, person: byId, at: iso(createdAt), words, cases, book } });
  for (const { id, version, byId, words, createdAt } of await StoredPublication.findAll({ order: ['id'], raw: true }))
    yield text({ kind: 'rates-published', value: { id, person: byId, at: iso(createdAt), words, version } });
}

/** Rows in the order of their ids, a page at a time. */
async function* paged<Row extends { id: string }>(page: (after: string) => Promise<Row[]>): AsyncGenerator<Row> {
  for (let after = ''; ;) {
    const rows = await page(after);
    yield* rows;
    if (rows.length < PAGE) return;
    after = rows.at(-1)!.id;
  }
}
