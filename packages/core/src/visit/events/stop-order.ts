import * as t from '@sinclair/typebox';
import { bodyOf, name, oneOf } from '../../question';
import { words } from '../fields';
import type { EventKind } from './event-kind';

const body = bodyOf('stop-order', {
  stop: name,
  order: name,
  answer: oneOf(['done', 'cannot'] as const),
  /** What was asked for, or why it cannot be done. */
  words: t.Optional(words),
});

/** One order of a stop: done, or why not. */
export const stopOrder: EventKind<typeof body> = { body };
