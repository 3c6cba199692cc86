import * as t from '@sinclair/typebox';

/** UUIDv4 or v7, as clients and server make them. */
export const uuid = t.String({ format: 'uuid' });

/** A sentence or two of somebody's. */
export const words = t.String({ maxLength: 2000 });
