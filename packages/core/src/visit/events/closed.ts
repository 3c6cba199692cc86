import * as t from '@sinclair/typebox';
import { bodyOf, oneOf } from '../../question';
import { ENDINGS } from '../../rules';
import { words } from '../fields';
import type { EventKind } from './event-kind';

const body = bodyOf('closed', {
  words,
  /** How it ends; logs made before there were endings have none. */
  ending: t.Optional(oneOf(ENDINGS)),
  /** What that ending asks for. */
  given: t.Optional(t.Record(t.String({ pattern: '^.{1,40}$' }), t.String({ maxLength: 500 }), { maxProperties: 10 })),
});

/** A call ends, in one of the ways that calls end. */
export const closed: EventKind<typeof body> = { body };
