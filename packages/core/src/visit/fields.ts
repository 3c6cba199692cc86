import * as t from '@sinclair/typebox';

/** UUIDv4 or v7, as clients and server make them, in its one spelling: small letters. */
export const uuid = t.String({
  pattern: '^[0-9a-f]{8}-[0-9a-f]{4}-[47][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$',
  title: 'id in small letters (UUID)',
});

/** A sentence or two of somebody's. */
export const words = t.String({ maxLength: 2000 });
