import { bodyOf } from '../../question';
import { words } from '../fields';
import type { EventKind } from './event-kind';

const body = bodyOf('closed', { words });

export const closed: EventKind<typeof body> = {
  body,
  apply: (draft) => {
    draft.closed = true;
  },
};
