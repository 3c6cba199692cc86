import * as t from '@sinclair/typebox';
import { bodyOf } from '../../question';
import type { EventKind } from './event-kind';

const body = bodyOf('reopened', { words: t.String({ minLength: 1, maxLength: 2000 }) });

/** A closed call is worked on again, and why. */
export const reopened: EventKind<typeof body> = { body };
