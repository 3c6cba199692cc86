import type { Static } from '@sinclair/typebox';
import { bodyOf, name } from '../../question';
import type { EventKind } from './event-kind';

const body = bodyOf('adjusted', { what: name, original: name, now: name });

export type Adjusted = Static<typeof body>;

/** A screw or setting turned while hunting, with where it stood. */
export const adjusted: EventKind<typeof body> = {
  body,
  apply: (draft, given, event) => void draft.adjustments.set(event.id, given),
};
