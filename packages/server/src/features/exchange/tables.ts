import { readingValue } from '@zetalysis/core/units';
import { dutyWith } from '@zetalysis/core/upkeep';
import type { EventBody } from '@zetalysis/core/visit';
import { READING_TYPES } from '@zetalysis/core/history';
import Papa from 'papaparse';
import { QueryTypes } from 'sequelize';
import { Call } from '../calls/model';
import { Machine } from '../machines/model';
import type { Upkeep } from '../upkeep/service';

/** What can be taken out as a table. */
export const TABLES = ['calls', 'breaks', 'readings', 'machines', 'parts', 'due'] as const;
export type TableName = (typeof TABLES)[number];

type Row = Readonly<Record<string, string | number | null>>;

const query = <R extends object>(sql: string, replacements: Record<string, unknown> = {}): Promise<R[]> =>
  Call.sequelize!.query<R>(sql, { replacements, type: QueryTypes.SELECT });

/** Entries with the machine of their call; what was taken back is left out. */
const ENTRIES = `SELECT e.callId AS \`call\`, m.label AS machine, m.site, e.at, e.person, e.type, e.body
  FROM events e JOIN calls c ON c.id = e.callId LEFT JOIN machines m ON m.id = c.machineId
  WHERE e.type IN (:types) AND NOT EXISTS (
    SELECT 1 FROM events r WHERE r.callId = e.callId AND r.type = 'retracted' AND JSON_VALUE(r.body, '$.event') = e.id)
  ORDER BY e.callId, e.number`;

interface EntryRow {
  readonly call: string;
  readonly machine: string | null;
  readonly site: string | null;
  readonly at: string;
  readonly person: string;
  readonly type: string;
  readonly body: string | EventBody;
}

const entries = async (types: readonly string[]): Promise<(Omit<EntryRow, 'body'> & { body: EventBody })[]> =>
  (await query<EntryRow>(ENTRIES, { types: [...types] })).map((row) => ({
    ...row,
    body: typeof row.body === 'string' ? (JSON.parse(row.body) as EventBody) : row.body,
  }));

const about = ({ call, machine, site, at, person }: Omit<EntryRow, 'body' | 'type'>): Row => ({
  call,
  machine,
  site,
  at,
  person,
});

/** The rows of each table. Values of readings are SI, beside what was typed. */
const ROWS: Readonly<Record<TableName, (upkeep: Upkeep) => Promise<Row[]>>> = {
  calls: () =>
    query(
      `SELECT c.id, m.label AS machine, m.site, c.complaint, c.profile, c.createdAt AS opened, p.fullName AS openedBy,
              JSON_VALUE(o.body, '$.state') AS state, JSON_VALUE(o.body, '$.ending') AS ending
         FROM calls c LEFT JOIN machines m ON m.id = c.machineId LEFT JOIN overviews o ON o.callId = c.id
         JOIN people p ON p.id = c.openedBy ORDER BY c.createdAt, c.id`,
    ).then((rows) => rows.map((r) => dated(r as Record<string, unknown>))),
  breaks: async () =>
    (await entries(['break-recorded'])).map((e) => {
      const {
        part,
        title = part,
        failure,
        cause,
        action,
        standing,
      } = e.body as Extract<EventBody, { type: 'break-recorded' }>;
      return { ...about(e), part, title, failure, cause, action, standing };
    }),
  readings: async () =>
    (await entries(READING_TYPES)).flatMap((e) => {
      const { type, reading, typed, ...asked } = e.body as Extract<EventBody, { reading: unknown }> & {
        typed?: string;
      };
      const named = Object.values(asked).filter((v) => typeof v === 'string' && v !== '');
      const value = reading.kind === 'open' ? 'OL' : readingValue(reading);
      return { ...about(e), kind: type, of: named.join(' '), typed: typed ?? '', value, dimension: reading.dimension };
    }),
  machines: async () =>
    (await Machine.findAll({ order: ['site', 'label'], raw: true })).map((m) => ({
      id: m.id,
      label: m.label,
      site: m.site,
      make: m.make,
      model: m.modelName,
      serial: m.serial,
      profile: m.profile,
      options: m.build.options.join(' '),
      ...(m.sheet as Row | null),
      retired: m.retired,
    })),
  parts: async () =>
    (await entries(['repaired', 'part-needed'])).map((e) => {
      const { body } = e;
      if (body.type === 'repaired')
        return {
          ...about(e),
          what: body.old === true ? 'old one in again' : 'repaired',
          part: body.title ?? body.part,
          words: body.action,
          from: '',
          expected: '',
        };
      const { what, from, expected } = body as Extract<EventBody, { type: 'part-needed' }>;
      return { ...about(e), what: 'needed', part: what, words: '', from, expected };
    }),
  due: async (upkeep) =>
    (await upkeep.due()).map(({ machine, duty, every, last, due }) => ({
      machine: machine.label,
      site: machine.site,
      duty: dutyWith(duty)?.title ?? duty,
      every,
      due: due.day,
      state: due.failed ? 'failed' : due.state,
      last: last?.day ?? '',
      result: last?.result ?? '',
    })),
};

const dated = (row: Record<string, unknown>): Row =>
  Object.fromEntries(Object.entries(row).map(([k, v]) => [k, v instanceof Date ? v.toISOString() : v])) as Row;

/**
 * A table as CSV (RFC 4180). What begins like a formula has a quote before it, so that a spreadsheet shows it and does not run it
 * (OWASP, CSV injection).
 */
export async function tableAsCsv(name: TableName, upkeep: Upkeep): Promise<string> {
  const rows = await ROWS[name](upkeep);
  const columns = [...new Set(rows.flatMap((row) => Object.keys(row)))];
  return Papa.unparse(
    { fields: columns, data: rows.map((row) => columns.map((c) => row[c] ?? '')) },
    { escapeFormulae: true },
  );
}
