import * as t from '@sinclair/typebox';
import { bodyOf, name, oneOf } from '../../question';
import { words } from '../fields';
import { openWhenApart } from '../../simulation';
import type { EventKind } from './event-kind';

/** What can be there for now and is no setting: what is plugged and done is in the setup. */
export const LOOSE = ['lead', 'part-out', 'joint', 'panel'] as const;

const body = bodyOf('temporary', {
  kind: oneOf(LOOSE),
  title: words,
  /** The point or the part on the drawing, where it is one; of a panel the switch that opens with it. */
  of: t.Optional(name),
});

/**
 * A lead lifted on purpose, a part out, a joint open, a panel off: it has to be undone. What is read meanwhile is read with that
 * part of the circuit open.
 */
export const temporary: EventKind<typeof body> = {
  body,
  apply: (draft, { kind, of }, { id }) => {
    if (of === undefined || kind === 'joint') return;
    if (openWhenApart(draft.model, of).length === 0) return;
    draft.apart.set(id, of);
    draft.setApart();
  },
};
