import * as t from '@sinclair/typebox';
import { SHELF } from '@zetalysis/core/book';
import { uuid } from '@zetalysis/core/visit';
import { endpoint } from './endpoint';
import { nullable, profileId, trimmed } from './fields';

/** The shelf, or whose van it is. */
const place = t.Union([t.Literal(SHELF), uuid]);

const item = t.Object({
  title: trimmed(80, 1),
  /** As the maker calls it. */
  number: trimmed(40),
  /** In the currency of the shop. */
  price: nullable(t.Number({ minimum: 0, maximum: 100_000 })),
  /** Room that one takes, litres. */
  room: nullable(t.Number({ minimum: 0, maximum: 1000 })),
  /** Where it goes: parts of the circuits of families. */
  fits: t.Array(t.Object({ profile: profileId, part: trimmed(80, 1) }), { maxItems: 60 }),
});

const kept = t.Object({
  id: uuid,
  ...item.properties,
  held: t.Array(t.Object({ place, units: t.Integer(), least: t.Integer() })),
});

/** Why units come or go. */
const STOCK_REASONS = ['counted', 'bought', 'loaded', 'fitted', 'sent-back'] as const;
export type StockReason = (typeof STOCK_REASONS)[number];

const move = t.Object({
  item: uuid,
  place,
  /** Units that come; less than nothing for those that go. */
  units: t.Integer({ minimum: -1000, maximum: 1000 }),
  why: t.Unsafe<StockReason>(t.Union(STOCK_REASONS.map((r) => t.Literal(r)))),
});

export type StockItem = t.Static<typeof item>;
export type KeptItem = t.Static<typeof kept>;
export type StockMove = t.Static<typeof move>;

const one = t.Object({ id: uuid });
const all = t.Array(kept);

/** The fields of an item that are columns. */
export const stockFields = item.properties;

export const stock = {
  /** Every part that the shop keeps, with what lies where. */
  list: endpoint({ method: 'GET', path: '/stock', reply: all }),
  add: endpoint({ method: 'POST', path: '/stock', body: item, reply: kept, status: 201 }),
  /** Writes an item otherwise; how it was written before stays in the table. */
  correct: endpoint({ method: 'PUT', path: '/stock/:id', params: one, body: item, reply: kept }),
  /** Moves units, all of them or none: nothing lies anywhere less than not at all. */
  move: endpoint({
    method: 'POST',
    path: '/stock/moves',
    body: t.Object({ moves: t.Array(move, { minItems: 1, maxItems: 100 }) }),
    reply: all,
  }),
  /** As few as may lie in a place before it is reordered. */
  least: endpoint({
    method: 'PUT',
    path: '/stock/:id/least',
    params: one,
    body: t.Object({ place, least: t.Integer({ minimum: 0, maximum: 1000 }) }),
    reply: kept,
  }),
};
