import * as t from '@sinclair/typebox';
import { uuid } from '@zetalysis/core/visit';
import { endpoint } from './endpoint';

/** What the first line of a shop's file says that it is. */
export const SHOP_FILE = 'zetalysis-shop/1';

/** The longest file that is brought in at once, characters. */
export const LONGEST_FILE = 60_000_000;

/** What becomes of a line: added, here already, here otherwise (it stays as it is here), or not to be read. */
const becomes = t.Unsafe<'new' | 'same' | 'differs' | 'wrong'>(
  t.Union(['new', 'same', 'differs', 'wrong'].map((b) => t.Literal(b))),
);
const line = t.Object({ line: t.Integer(), kind: t.String(), becomes, words: t.String() });

export type BroughtIn = t.Static<typeof line>;

export const exchange = {
  /** Brings a shop's file in; a dry run only says what would become of each line. */
  bringIn: endpoint({
    method: 'POST',
    path: '/import',
    body: t.Object({ text: t.String({ minLength: 1, maxLength: LONGEST_FILE }), dry: t.Boolean() }),
    reply: t.Object({
      counts: t.Object({ new: t.Integer(), same: t.Integer(), differs: t.Integer(), wrong: t.Integer() }),
      lines: t.Array(line),
    }),
  }),
  /** Erases whose machine it is and the photos of its calls. */
  erase: endpoint({
    method: 'DELETE',
    path: '/machines/:id/customer',
    params: t.Object({ id: uuid }),
    reply: t.Object({ photos: t.Integer(), calls: t.Integer() }),
  }),
};
