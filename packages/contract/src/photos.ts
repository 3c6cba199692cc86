import * as t from '@sinclair/typebox';
import { uuid } from '@zetalysis/core/visit';
import { endpoint } from './endpoint';
import { moment } from './fields';

/** The longest picture in base64; a device makes its pictures smaller before it keeps them. */
export const LONGEST_PHOTO = 6_000_000;

const type = t.Unsafe<'image/jpeg' | 'image/png' | 'image/webp'>(
  t.Union(['image/jpeg', 'image/png', 'image/webp'].map((m) => t.Literal(m))),
);
const data = t.String({
  minLength: 8,
  maxLength: LONGEST_PHOTO,
  pattern: '^[A-Za-z0-9+/]+={0,2}$',
  title: 'picture in base64',
});

const photo = t.Object({ id: uuid, call: uuid, type, data, takenBy: t.String(), sentAt: moment });

/** A photo as a page of many shows it. */
const small = t.Object({
  id: uuid,
  call: uuid,
  at: moment,
  thumbnail: t.String(),
  /** What is on it, and what was written beside it; empty where nobody said. */
  kind: t.String(),
  words: t.String(),
});

export type Photo = t.Static<typeof photo>;
export type SmallPhoto = t.Static<typeof small>;

const one = t.Object({ id: uuid });

/** Pictures stand beside the log, where they can be erased; an entry names them. */
export const photos = {
  send: endpoint({ method: 'PUT', path: '/photos/:id', params: one, body: t.Object({ call: uuid, type, data }) }),
  /** The newest of the calls on one machine, small (WebP). */
  onMachine: endpoint({ method: 'GET', path: '/machines/:id/photos', params: one, reply: t.Array(small) }),
  read: endpoint({ method: 'GET', path: '/photos/:id', params: one, reply: photo }),
  /** For whoever took it, for leads and for the office. */
  erase: endpoint({ method: 'DELETE', path: '/photos/:id', params: one }),
};
