import * as t from '@sinclair/typebox';
import { endpoint } from './endpoint';
import { nullable } from './fields';

const identity = t.Record(t.String(), t.String());

const summary = t.Object({
  id: t.String(),
  title: t.String(),
  summary: t.String(),
  version: t.String(),
  identity,
  variants: t.Array(t.Object({ id: t.String(), title: t.String(), identity })),
  /** Who brought it in; nothing for those that ship with the program. */
  importedBy: nullable(t.String()),
});

const whole = t.Object({ ...summary.properties, source: t.String() });

export type ProfileSummary = t.Static<typeof summary>;
export type WholeProfile = t.Static<typeof whole>;

export const profiles = {
  list: endpoint({ method: 'GET', path: '/profiles', reply: t.Array(summary) }),
  read: endpoint({
    method: 'GET',
    path: '/profiles/:id',
    params: t.Object({ id: t.String({ maxLength: 80 }) }),
    query: t.Object({ version: t.Optional(t.String({ maxLength: 20 })) }),
    reply: whole,
  }),
  bringIn: endpoint({
    method: 'POST',
    path: '/profiles',
    body: t.Object({ source: t.String({ minLength: 1, maxLength: 200_000 }) }),
    reply: summary,
    status: 201,
  }),
};
