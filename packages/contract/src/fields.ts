import * as t from '@sinclair/typebox';

// Lengths are declared here and in the schemas, once: the columns are made from them.

/** A text of somebody's, without blanks at its ends. */
export const trimmed = (maxLength: number, minLength = 0) => t.String({ minLength, maxLength, trimmed: true });

export const nullable = <S extends t.TSchema>(schema: S) => t.Union([schema, t.Null()]);

/** A moment, as JSON has it. */
export const moment = t.String({ format: 'date-time', maxLength: 40 });

/** A day, as 2026-11-30. */
export const day = t.String({
  pattern: '^\\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\\d|3[01])$',
  title: 'day as 2026-11-30',
  maxLength: 10,
});

/** What a person signs in with, and what entries say they are by. */
export const personName = t.String({ minLength: 1, maxLength: 60 });

/** What a device is called in the log. */
export const deviceName = t.String({ minLength: 1, maxLength: 60 });

/** The id of a profile, and of one of its versions. */
export const profileId = t.String({ minLength: 1, maxLength: 80 });
export const profileVersion = t.String({ minLength: 1, maxLength: 20 });

const count = (maximum: string) => t.Optional(t.String({ pattern: `^[1-9]\\d{0,${maximum}}$`, title: 'whole number' }));

/** What part of a list is asked for: words that must occur, which page of how many, sorted by what. */
export const listing = <S extends string>(sorts: readonly S[]) =>
  t.Object({
    search: t.Optional(t.String({ maxLength: 100 })),
    /** From 1. */
    page: count('5'),
    /** How many a page has; 100 at most. */
    size: t.Optional(t.String({ pattern: '^([1-9]\\d?|100)$', title: 'whole number up to 100' })),
    sort: t.Optional(t.Unsafe<S>(t.Union(sorts.map((s) => t.Literal(s))))),
    order: t.Optional(t.Unsafe<'up' | 'down'>(t.Union([t.Literal('up'), t.Literal('down')]))),
  });
