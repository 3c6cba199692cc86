import * as t from '@sinclair/typebox';
import { bodyOf } from '../../question';
import { uuid } from '../fields';
import type { EventKind } from './event-kind';

const body = bodyOf('redacted', {
  event: uuid,
  /** SHA-256 of the entry as it was made: it can still be shown to be that one, and its words are gone. */
  hash: t.String({ pattern: '^[0-9a-f]{64}$', title: 'SHA-256 in small letters' }),
});

/** The free text of another entry was taken out for good; whoever sees this drops their copy of it. */
export const redacted: EventKind<typeof body> = { body };
