import * as t from '@sinclair/typebox';
import { bodyOf, oneOf } from '../../question';
import type { EventKind } from './event-kind';

const body = bodyOf('declined', {
  test: t.String({ minLength: 1, maxLength: 200 }),
  why: oneOf(['cannot', 'will-not'] as const),
});

/** A test that somebody cannot or will not make. */
export const declined: EventKind<typeof body> = {
  body,
  apply: (draft, { test }) => void draft.declined.add(test),
};
