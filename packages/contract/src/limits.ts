import * as t from '@sinclair/typebox';
import { KEPT_FIELDS, type KeptField } from '@zetalysis/core/bench';
import { uuid } from '@zetalysis/core/visit';
import { endpoint } from './endpoint';
import { moment, nullable, trimmed } from './fields';

const id = t.String({ minLength: 1, maxLength: 40, pattern: '^[a-z0-9-]+$' });

const newLimit = t.Object({
  /** Of one machine; nothing for all of the shop. */
  machine: nullable(uuid),
  /** Which measure of which component test. */
  test: id,
  measure: id,
  field: t.Unsafe<KeptField>(t.Union(KEPT_FIELDS.map((f) => t.Literal(f)))),
  /** As it is typed: `13.5-16.5`, `at least 20`, `14.8`; empty takes it back. */
  typed: trimmed(60),
  /** Where it stands, and who read it. */
  source: trimmed(80),
});

const limit = t.Object({ ...newLimit.properties, by: t.String(), at: moment });

/** The fields of a limit that are columns. */
export const limitFields = newLimit.properties;

export type NewLimit = t.Static<typeof newLimit>;
export type Limit = t.Static<typeof limit>;

export const limits = {
  /** Those of the shop, and of a machine where one is named; what was taken back is left out. */
  list: endpoint({
    method: 'GET',
    path: '/limits',
    query: t.Object({ machine: t.Optional(uuid) }),
    reply: t.Array(limit),
  }),
  /** Keeps one in place of what was kept; everything that was ever kept stays in the table. */
  keep: endpoint({ method: 'PUT', path: '/limits', body: newLimit, reply: limit }),
};
