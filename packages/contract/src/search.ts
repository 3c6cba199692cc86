import * as t from '@sinclair/typebox';
import { uuid } from '@zetalysis/core/visit';
import { endpoint } from './endpoint';
import { moment, nullable } from './fields';
import { machine } from './machines';

const entry = t.Object({
  id: uuid,
  call: uuid,
  kind: t.Unsafe<'note' | 'break-recorded' | 'code' | 'recommended' | 'part-needed'>(
    t.Union(['note', 'break-recorded', 'code', 'recommended', 'part-needed'].map((k) => t.Literal(k))),
  ),
  words: t.String(),
  machine: nullable(t.Object({ id: uuid, label: t.String(), site: t.String() })),
  /** When its call was opened. */
  opened: moment,
});

export type FoundEntry = t.Static<typeof entry>;

export const search = {
  /** Machines and sites by their names; breaks, codes and notes by what is written in them. The newest first. */
  find: endpoint({
    method: 'GET',
    path: '/search',
    query: t.Object({ words: t.String({ minLength: 1, maxLength: 100 }) }),
    reply: t.Object({ machines: t.Array(machine), total: t.Integer(), entries: t.Array(entry) }),
  }),
};
