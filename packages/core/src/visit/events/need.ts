import * as t from '@sinclair/typebox';
import { bodyOf, name, oneOf } from '../../question';
import { words } from '../fields';
import type { EventKind } from './event-kind';

const body = bodyOf('need', {
  need: name,
  /** What it is done on, where it is done on something. */
  of: t.Optional(name),
  answer: oneOf(['met', 'cannot', 'wont', 'over'] as const),
  words: t.Optional(words),
});

/** What must be known or done before a test: met, or why not. */
export const need: EventKind<typeof body> = { body };
