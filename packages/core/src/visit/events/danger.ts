import { bodyOf, oneOf } from '../../question';
import { DANGERS } from '../../rules';
import type { EventKind } from './event-kind';

const body = bodyOf('danger', { danger: oneOf(DANGERS) });

/** Stops everything. */
export const danger: EventKind<typeof body> = {
  body,
  apply: (draft, given) => {
    draft.danger = given.danger;
  },
};
