import * as t from '@sinclair/typebox';
import { bodyOf, oneOf } from '../../question';
import { words } from '../fields';
import type { EventKind } from './event-kind';

const body = bodyOf('recommended', { words: t.String({ minLength: 1, maxLength: 500 }) });

const settled = bodyOf('recommendation-settled', {
  event: t.String({ minLength: 36, maxLength: 36 }),
  how: oneOf(['accepted', 'declined'] as const),
  words,
});

/** Something that was found beside the break, and what the customer said to it. */
export interface Recommendation {
  readonly event: string;
  readonly words: string;
  readonly settled: { readonly how: 'accepted' | 'declined'; readonly words: string } | undefined;
}

/** Something beside the break that ought to be done, told to the customer. */
export const recommended: EventKind<typeof body> = {
  body,
  apply: (draft, { words: what }, { id }) =>
    void draft.recommendations.set(id, { event: id, words: what, settled: undefined }),
};

/** The customer wants it done, or not. */
export const recommendationSettled: EventKind<typeof settled> = {
  body: settled,
  apply: (draft, { event, how, words: said }) => {
    const known = draft.recommendations.get(event);
    if (known) draft.recommendations.set(event, { ...known, settled: { how, words: said } });
  },
};
