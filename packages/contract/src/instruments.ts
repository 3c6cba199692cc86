import * as t from '@sinclair/typebox';
import { type Classes, INSTRUMENT_KINDS, type InstrumentKind } from '@zetalysis/core/instruments';
import { uuid } from '@zetalysis/core/visit';
import { endpoint } from './endpoint';
import { day, moment, nullable, trimmed } from './fields';

const kind = t.Unsafe<InstrumentKind>(t.Union(INSTRUMENT_KINDS.map((k) => t.Literal(k))));

const instrumentClass = t.Object({
  percent: t.Number({ minimum: 0, maximum: 20 }),
  digits: t.Integer({ minimum: 0, maximum: 100 }),
});
/** By what is measured: what the judge counts instead of a usual one's. */
const classes = t.Unsafe<Classes>(
  t.Record(t.String({ pattern: '^[a-z-]{1,20}$' }), instrumentClass, { maxProperties: 12 }),
);

const newInstrument = t.Object({
  kind,
  title: trimmed(80, 1),
  serial: trimmed(80, 1),
  classes,
  /** When it was calibrated last, and when it is to be again. */
  calibrated: nullable(day),
  due: nullable(day),
  /** Ohms with the tips together; nothing where nobody measured them. */
  leadZero: nullable(t.Number({ minimum: 0, maximum: 20 })),
  /** It is not used any more. */
  retired: t.Boolean(),
});

/** Shown a live source that is known, before something is found dead, or after. */
const when = t.Unsafe<'before' | 'after'>(t.Union([t.Literal('before'), t.Literal('after')]));
const proof = nullable(t.Object({ at: moment, by: t.String() }));

const instrument = t.Object({
  id: uuid,
  ...newInstrument.properties,
  provedBefore: proof,
  provedAfter: proof,
});

/** The fields of an instrument that are columns. */
export const instrumentFields = newInstrument.properties;

export type NewInstrument = t.Static<typeof newInstrument>;
export type Instrument = t.Static<typeof instrument>;

const one = t.Object({ id: uuid });

export const instruments = {
  /** All of the shop, those that are used first. */
  list: endpoint({ method: 'GET', path: '/instruments', reply: t.Array(instrument) }),
  add: endpoint({ method: 'POST', path: '/instruments', body: newInstrument, reply: instrument, status: 201 }),
  correct: endpoint({ method: 'PUT', path: '/instruments/:id', params: one, body: newInstrument, reply: instrument }),
  prove: endpoint({
    method: 'POST',
    path: '/instruments/:id/proofs',
    params: one,
    body: t.Object({ when }),
    reply: instrument,
  }),
};
