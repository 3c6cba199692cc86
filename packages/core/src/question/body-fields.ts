import * as t from '@sinclair/typebox';
import { ALLOWED, OWN_ENDERS, OWN_GRADES } from '../rules';
import type { Dimension, Reading } from '../units';

/**
 * Fields of what is stored, with their lengths. The schemas are plain JSON Schema; what checks, documents and types them
 * comes from here.
 */
export const name = t.String({ minLength: 1, maxLength: 80 });
export const branchName = t.String({ maxLength: 80 });

/** What was typed, as it was typed. */
const typed = t.String({ maxLength: 80 });

const dimension = t.Unsafe<Dimension>(name);

const reading = t.Unsafe<Reading>(
  t.Union([
    t.Object({ kind: t.Literal('value'), value: t.Number(), dimension }),
    t.Object({ kind: t.Literal('range'), low: t.Number(), high: t.Number(), dimension }),
    t.Object({ kind: t.Literal('open'), dimension: t.Literal('resistance') }),
  ]),
);

/** A reading, how it was typed, and the instrument that showed it by itself, as it introduced itself. */
export const readingFields = { reading, typed, by: t.Optional(name) };

/** A reading that was judged on the Bench: how sure it is, and under which conditions it was taken, as they were typed. */
export const judgedFields = {
  judged: t.Optional(
    t.Object({
      test: name,
      measure: name,
      verdict: t.Unsafe<'good' | 'marginal' | 'bad'>(
        t.Union(['good', 'marginal', 'bad'].map((verdict) => t.Literal(verdict))),
      ),
      /** Half of the interval in which the value lies, SI. */
      u: t.Number({ minimum: 0 }),
      given: t.Record(name, t.String({ maxLength: 60 }), { maxProperties: 30 }),
    }),
  ),
};

/** One of some words. */
export const oneOf = <W extends string>(words: readonly W[]) => t.Unsafe<W>(t.Union(words.map((w) => t.Literal(w))));

/** The body of a kind of entry, its fields as they are declared. */
export const bodyOf = <T extends string, F extends t.TProperties>(type: T, fields: F) =>
  t.Object({ type: t.Literal(type), ...fields });

const sentence = t.String({ minLength: 1, maxLength: 300 });

const declaredStop = t.Object({
  id: name,
  title: sentence,
  grade: oneOf(OWN_GRADES),
  orders: t.Array(sentence, { maxItems: 12 }),
  meanwhile: sentence,
  allows: t.Array(oneOf(ALLOWED), { maxItems: 4 }),
  evidence: t.Array(sentence, { minItems: 1, maxItems: 12 }),
  endedBy: oneOf(OWN_ENDERS),
});

/** What an answer tells the rules, for readers that do not know the profile. */
export const meansFields = {
  means: t.Optional(t.Array(t.Object({ fact: name, value: t.Union([name, t.Number()]) }), { maxItems: 10 })),
  /** The safety whose reset was pressed by it. */
  pressed: t.Optional(t.Object({ id: name, title: t.String({ maxLength: 200 }), kind: name })),
  /** The stop of this kind of appliance that it brings, in full. */
  raises: t.Optional(declaredStop),
};
