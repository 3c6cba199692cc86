import { bodyOf } from '../../question';
import { uuid } from '../fields';
import type { EventKind } from './event-kind';

const body = bodyOf('undone', { event: uuid });

/** Something temporary is as it was. */
export const undone: EventKind<typeof body> = {
  body,
  apply: (draft, { event }) => {
    if (draft.apart.delete(event)) draft.setApart();
  },
};
