import * as t from '@sinclair/typebox';
import { bodyOf } from '../../question';
import { words } from '../fields';
import type { EventKind } from './event-kind';

const body = bodyOf('pinned', {
  /** What is asked, or the test in words. */
  words: t.String({ minLength: 1, maxLength: 500 }),
  /** The test that is wanted. */
  test: t.Optional(t.String({ minLength: 1, maxLength: 200 })),
});

const answer = bodyOf('pin-answered', { event: t.String({ minLength: 36, maxLength: 36 }), words });

/** Whoever looks on asks something, or wants a test made: it stays until it is answered. */
export const pinned: EventKind<typeof body> = {
  body,
  apply: (draft, { words: asked, test }, { id, person }) =>
    void draft.pins.set(id, { event: id, words: asked, test, person, answer: undefined }),
};

export const pinAnswered: EventKind<typeof answer> = {
  body: answer,
  apply: (draft, given) => {
    const pin = draft.pins.get(given.event);
    if (pin) draft.pins.set(given.event, { ...pin, answer: given.words });
  },
};
