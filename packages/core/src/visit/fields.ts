import * as t from '@sinclair/typebox';

/** UUIDv4 or v7, as clients and server make them, in its one spelling: small letters. */
export const uuid = t.String({
  pattern: '^[0-9a-f]{8}-[0-9a-f]{4}-[47][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$',
  title: 'id in small letters (UUID)',
});

/** A sentence or two of somebody's. */
export const words = t.String({ maxLength: 2000 });

/** Why a text is no day; nothing when it is one. */
export const dayProblem = (day: string): string | undefined =>
  /^\d{4}-\d{2}-\d{2}$/.test(day) && new Date(`${day}T00:00:00Z`).toJSON()?.slice(0, 10) === day
    ? undefined
    : `${day} is no day; write it as 2026-11-30`;
