import { bodyOf } from '../../question';
import { words } from '../fields';
import type { EventKind } from './event-kind';

const body = bodyOf('danger-over', { words });

/** Those in charge have declared it safe. */
export const dangerOver: EventKind<typeof body> = {
  body,
  apply: (draft) => {
    draft.danger = undefined;
  },
};
