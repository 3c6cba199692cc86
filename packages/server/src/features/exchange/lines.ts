import * as t from '@sinclair/typebox';
import { callEvent, instruments, limits, machines, patterns, people, shop, stock, upkeep } from '@zetalysis/contract';
import { joiOf } from '@zetalysis/contract/check';
import { uuid } from '@zetalysis/core/visit';
import type Joi from 'joi';

const { id: _id, disabled: _disabled, ...person } = people.list.reply.items.properties;

/** What was written down by somebody at a moment. */
const written = { id: uuid, person: uuid, at: t.String({ format: 'date-time', maxLength: 40 }) };

/** What a line of a shop's file may be, in the order in which they have to come: what another points at comes before it. */
const SCHEMAS = {
  person: t.Object({ id: uuid, ...person }),
  machine: machines.read.reply,
  contact: t.Object({ machine: uuid, ...machines.contact.reply.properties }),
  duty: t.Object({ machine: uuid, ...upkeep.record.reply.properties }),
  plan: t.Object({ ...written, machine: uuid, ...upkeep.plan.body.properties }),
  limit: t.Object({ ...written, ...limits.keep.body.properties }),
  settings: t.Object({ ...written, ...shop.settings.reply.properties }),
  // An instrument has a kind of its own.
  instrument: t.Object({ id: uuid, instrument: instruments.add.body }),
  'stock-item': t.Object({ ...written, item: uuid, ...stock.add.body.properties }),
  'stock-move': t.Object({ ...written, ...stock.move.body.properties.moves.items.properties }),
  'stock-least': t.Object({ ...written, item: uuid, ...stock.least.body.properties }),
  // A book as its text: it is read where it is used.
  rates: t.Object({
    version: t.Integer({ minimum: 1 }),
    person: uuid,
    at: written.at,
    ...patterns.draft.body.properties,
    cases: t.Number({ minimum: 0 }),
    book: t.String({ maxLength: 8_000_000 }),
  }),
  'rates-published': t.Object({
    ...written,
    ...patterns.draft.body.properties,
    version: t.Union([t.Integer({ minimum: 1 }), t.Null()]),
  }),
  entry: t.Object({ event: callEvent, as: t.Union([t.String({ maxLength: 200 }), t.Null()]) }),
  photo: t.Object({
    id: uuid,
    call: uuid,
    person: uuid,
    type: t.String({ maxLength: 20 }),
    hash: t.String({ minLength: 64, maxLength: 64 }),
    picture: t.Union([t.String({ maxLength: 8_000_000 }), t.Null()]),
  }),
};

type LineKind = keyof typeof SCHEMAS;
const LINE_KINDS = Object.keys(SCHEMAS) as readonly LineKind[];
export type Line = { [K in LineKind]: { readonly kind: K; readonly value: t.Static<(typeof SCHEMAS)[K]> } }[LineKind];

const CHECKS = Object.fromEntries(LINE_KINDS.map((kind) => [kind, joiOf(SCHEMAS[kind]).required()])) as Record<
  LineKind,
  Joi.Schema
>;

/** Reads one line of a file. Gives why it cannot be read, in words that say what to do. */
export function readLine(text: string): Line | { readonly wrong: string } {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    return { wrong: 'This is not JSON: every line is one object of its own. Take the file out anew.' };
  }
  if (typeof data !== 'object' || data === null) return { wrong: 'This line holds no object.' };
  const { kind, ...value } = data as Record<string, unknown>;
  const known = LINE_KINDS.find((k) => k === kind);
  if (!known) return { wrong: `A line is one of ${LINE_KINDS.join(', ')}, not ${JSON.stringify(kind ?? null)}.` };
  const { error } = CHECKS[known].validate(value, { convert: false });
  return error ? { wrong: error.message.replaceAll('"', '’') } : ({ kind: known, value } as Line);
}
