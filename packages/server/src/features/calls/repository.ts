import { Op, QueryTypes, type Transaction } from 'sequelize';
import { type Arrived, type CallEvent, OVERVIEW_TYPES } from '@zetalysis/core/visit';
import { CALLBACK_WITHIN_DAYS, DATED_TYPES, NO_VISIT } from '@zetalysis/core/history';
import { fullText } from '../../db/search';
import type { Authority } from '@zetalysis/core/rules';
import { authorityFrom, authorityText } from '../session/authority';
import { mergedWith } from '../machines/repository';
import { Person } from '../session/model';
import { Call, LoggedEvent, Looker, StoredOverview } from './model';

/** Rows that are only read: nothing of the library's is built around them. */
const PLAIN = { raw: true } as const;

/** An event as a row of its table, with its number in its call. */
export const eventRow = ({ event: e, number }: Arrived, authority: Authority | undefined) => ({
  callId: e.call,
  number,
  id: e.id,
  seq: e.seq,
  at: e.at,
  clockOffset: e.offset ?? null,
  device: e.device,
  person: e.person,
  type: e.body.type,
  body: e.body,
  authority: authority === undefined ? null : authorityText(authority),
});

/** What the person of an entry might do when it came. */
export const authorityBeside = ({ authority }: LoggedEvent): Authority | undefined =>
  authority === null ? undefined : authorityFrom(authority);

export const asEvent = (e: LoggedEvent): CallEvent => ({
  id: e.id,
  call: e.callId,
  seq: e.seq,
  at: e.at,
  // The connector gives large integers as text.
  ...(e.clockOffset === null ? {} : { offset: Number(e.clockOffset) }),
  device: e.device,
  person: e.person,
  body: e.body,
});

export const callWith = (id: string): Promise<Call | null> => Call.findByPk(id);

/** The largest number and the largest clock value of a call; noughts for one without entries. */
export async function largestOf(call: string, transaction: Transaction): Promise<{ last: number; clock: number }> {
  const [row] = await Call.sequelize!.query<{ last: number | null; clock: number | null }>(
    'SELECT MAX(number) AS last, MAX(seq) AS clock FROM events WHERE callId = :call',
    { replacements: { call }, type: QueryTypes.SELECT, transaction },
  );
  return { last: row?.last ?? 0, clock: row?.clock ?? 0 };
}

/** Those of some ids that are entries of a call. */
export async function idsIn(call: string, ids: readonly string[], transaction: Transaction): Promise<string[]> {
  const rows = await LoggedEvent.findAll({ attributes: ['id'], where: { id: [...ids], callId: call }, transaction });
  return rows.map((row) => row.id);
}

/** The entries of a call that its overview is made from. */
export async function safetyEntries(call: string, transaction: Transaction): Promise<Arrived[]> {
  const rows = await LoggedEvent.findAll({
    where: { callId: call, type: [...OVERVIEW_TYPES] },
    transaction,
    ...PLAIN,
  });
  return rows.map((row) => {
    const as = authorityBeside(row);
    return { event: { ...asEvent(row), ...(as && { as }) }, number: row.number };
  });
}

/** What is stored under some ids, in whatever call. */
export const storedUnder = (ids: readonly string[], transaction: Transaction): Promise<LoggedEvent[]> =>
  LoggedEvent.findAll({ where: { id: [...ids] }, transaction, ...PLAIN });

/** What a call took after an entry, in order, and the number of its newest one; nought for a call that is not there. */
export async function eventsAfter(
  call: string,
  after: number,
  limit: number,
): Promise<{ rows: LoggedEvent[]; last: number }> {
  const rows = await LoggedEvent.findAll({
    where: { callId: call, number: { [Op.gt]: after } },
    order: [['number', 'ASC']],
    limit,
    ...PLAIN,
  });
  if (rows.length > 0 && rows.length < limit) return { rows, last: rows.at(-1)!.number };
  return {
    rows,
    last: (await LoggedEvent.max<number | null, LoggedEvent>('number', { where: { callId: call } })) ?? 0,
  };
}

/** Of some calls those that came back to their machine within thirty days, with the call that they came back from. */
export async function callbacksAmongCalls(ids: readonly string[]): Promise<ReadonlyMap<string, string>> {
  if (ids.length === 0) return new Map();
  const rows = await Call.sequelize!.query<{ id: string; of: string | null }>(
    `SELECT c.id, (SELECT p.id FROM calls p LEFT JOIN overviews o ON o.callId = p.id
        WHERE p.machineId = c.machineId AND p.createdAt < c.createdAt AND p.createdAt >= c.createdAt - INTERVAL :days DAY
          AND COALESCE(JSON_VALUE(o.body, '$.ending'), '') <> :mistake ORDER BY p.createdAt DESC LIMIT 1) AS of
       FROM calls c WHERE c.id IN (:ids)`,
    { replacements: { ids: [...ids], days: CALLBACK_WITHIN_DAYS, mistake: NO_VISIT }, type: QueryTypes.SELECT },
  );
  return new Map(rows.flatMap(({ id, of }) => (of === null ? [] : [[id, of] as const])));
}

/** Those of some calls that are open, or wait. */
export const openAmong = async (calls: readonly string[]): Promise<ReadonlySet<string>> =>
  new Set(
    (await StoredOverview.findAll({ attributes: ['callId'], where: { callId: [...calls], open: true }, ...PLAIN })).map(
      ({ callId }) => callId,
    ),
  );

/** A call with its overview. */
export interface Listed {
  readonly call: Call;
  readonly overview: StoredOverview;
}

/** What part of the list of calls is asked for. */
export interface CallsAsked {
  readonly search: string;
  readonly open: boolean | undefined;
  readonly sort: 'opened' | 'machine';
  readonly down: boolean;
  readonly offset: number;
  readonly limit: number;
}

/** A page of calls, and how many there are in all. */
export async function listCalls(asked: CallsAsked): Promise<{ listed: Listed[]; total: number }> {
  const { search, open, sort, down, offset, limit } = asked;
  const words = fullText(search);
  const from = words === '' ? 'overviews o' : `(${FOUND}) AS found JOIN overviews o ON o.callId = found.id`;
  const where = open === undefined ? '' : 'WHERE o.open = :open';
  const by = sort === 'opened' ? 'o.openedAt' : 'o.title';
  const direction = down ? 'DESC' : 'ASC';
  const replacements = { open, words, offset, limit };
  const select = <T extends object>(sql: string): Promise<T[]> =>
    Call.sequelize!.query<T>(sql, { replacements, type: QueryTypes.SELECT });
  const found = await select<{ callId: string; total: number | string }>(
    // What is found is counted while it is at hand; the whole list is counted by its index.
    `SELECT o.callId, ${words === '' ? 'NULL' : 'COUNT(*) OVER ()'} AS total FROM ${from} ${where}
       ORDER BY ${by} ${direction}, o.callId ${direction} LIMIT :limit OFFSET :offset`,
  );
  const counted =
    found[0]?.total ?? (await select<{ total: number }>(`SELECT COUNT(*) AS total FROM ${from} ${where}`))[0]!.total;
  return { listed: await withHeads(found.map((r) => r.callId)), total: Number(counted) };
}

/** The calls that have all words, themselves or in their machine: each half by an index of its own. */
const FOUND = `SELECT id FROM calls WHERE MATCH (complaint) AGAINST (:words IN BOOLEAN MODE)
  UNION SELECT c.id FROM machines m JOIN calls c ON c.machineId = m.id
   WHERE MATCH (m.label, m.site, m.make, m.modelName, m.serial) AGAINST (:words IN BOOLEAN MODE)`;

/**
 * Every call on which something stands that must not be forgotten, newest first. What was left off and tagged is forgotten once
 * a later call on the machine was proved.
 */
export async function watchedCalls(): Promise<Listed[]> {
  const rows = await Call.sequelize!.query<{ callId: string }>(
    `SELECT o.callId FROM overviews o JOIN calls c ON c.id = o.callId
      WHERE o.watch = TRUE AND NOT (
        NOT o.open AND JSON_VALUE(o.body, '$.ending') = 'left-off' AND JSON_LENGTH(o.body, '$.bypasses') = 0 AND EXISTS (
          SELECT 1 FROM calls later JOIN overviews p ON p.callId = later.id
           WHERE later.machineId = c.machineId AND p.openedAt > o.openedAt AND JSON_VALUE(p.body, '$.ending') = 'proved'))
      ORDER BY o.openedAt DESC`,
    { type: QueryTypes.SELECT },
  );
  return withHeads(rows.map((r) => r.callId));
}

async function withHeads(ids: readonly string[]): Promise<Listed[]> {
  if (ids.length === 0) return [];
  const [calls, overviews] = await Promise.all([
    Call.findAll({ where: { id: [...ids] }, ...PLAIN }),
    StoredOverview.findAll({ where: { callId: [...ids] }, ...PLAIN }),
  ]);
  const callOf = new Map(calls.map((c) => [c.id, c]));
  const overviewOf = new Map(overviews.map((o) => [o.callId, o]));
  return ids.map((id) => ({ call: callOf.get(id)!, overview: overviewOf.get(id)! }));
}

/** How long somebody looks who says nothing more. */
const LOOKS_FOR_MS = 15_000;

/** Somebody looks at a call now. */
export const noteLooker = async (callId: string, personId: string): Promise<void> =>
  void (await Looker.upsert({ callId, personId, at: new Date() }));

/** Who looks at a call now, by their full names. */
export async function lookersOf(callId: string): Promise<string[]> {
  const rows = await Looker.findAll({
    where: { callId, at: { [Op.gt]: new Date(Date.now() - LOOKS_FOR_MS) } },
    ...PLAIN,
  });
  if (rows.length === 0) return [];
  const people = await Person.findAll({ where: { id: rows.map((r) => r.personId) }, order: ['name'], ...PLAIN });
  return people.map((p) => p.fullName);
}

/** A machine with those that were merged into it: one machine under several ids. */
export async function idsOfMachine(machineId: string): Promise<string[]> {
  return [machineId, ...(await mergedWith(machineId)).map((m) => m.id)];
}

/** The newest calls on a machine, so many at most. */
export async function callsOnMachine(machineId: string, most: number): Promise<Listed[]> {
  const calls = await Call.findAll({
    attributes: ['id'],
    where: { machineId: await idsOfMachine(machineId) },
    order: [
      ['createdAt', 'DESC'],
      ['id', 'DESC'],
    ],
    limit: most,
    ...PLAIN,
  });
  return withHeads(calls.map((c) => c.id));
}

/** The entries that a machine's history is made of and that were not taken back, the newest first, so many at most. */
export async function readingsOnMachine(machineId: string, most: number): Promise<LoggedEvent[]> {
  const rows = await Call.sequelize!.query<{ id: string }>(
    `SELECT e.id FROM calls c JOIN events e ON e.callId = c.id
      WHERE c.machineId IN (:machines) AND e.type IN (:types) AND NOT EXISTS (
        SELECT 1 FROM events r WHERE r.callId = e.callId AND r.type = 'retracted' AND JSON_VALUE(r.body, '$.event') = e.id)
      ORDER BY c.createdAt DESC, e.number DESC LIMIT :most`,
    { replacements: { machines: await idsOfMachine(machineId), types: DATED_TYPES, most }, type: QueryTypes.SELECT },
  );
  const found = await LoggedEvent.findAll({ where: { id: rows.map((r) => r.id) }, ...PLAIN });
  const byId = new Map(found.map((e) => [e.id, e]));
  return rows.map(({ id }) => byId.get(id)!);
}

/** The overviews of the other calls on a machine, for what they left behind. */
export async function overviewsOfMachine(machineId: string): Promise<StoredOverview[]> {
  const machine = await idsOfMachine(machineId);
  const calls = await Call.findAll({ attributes: ['id'], where: { machineId: machine }, ...PLAIN });
  return calls.length === 0 ? [] : StoredOverview.findAll({ where: { callId: calls.map((c) => c.id) }, ...PLAIN });
}
