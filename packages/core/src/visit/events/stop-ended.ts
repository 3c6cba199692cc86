import * as t from '@sinclair/typebox';
import { bodyOf, name } from '../../question';
import type { EventKind } from './event-kind';

const body = bodyOf('stop-ended', {
  stop: name,
  evidence: t.Record(t.String({ pattern: '^.{1,40}$' }), t.Union([t.String({ maxLength: 500 }), t.Number()]), {
    maxProperties: 20,
  }),
});

/** A stop is over, and on what. Without the right it waits for a countersignature. */
export const stopEnded: EventKind<typeof body> = { body };
