import * as t from '@sinclair/typebox';
import { bodyOf } from '../../question';
import type { EventKind } from './event-kind';

const body = bodyOf('shown', { on: t.Boolean() });

/** An open call is shown to a lead, or no more. */
export const shown: EventKind<typeof body> = {
  body,
  apply: (draft, { on }) => {
    draft.shown = on;
  },
};
