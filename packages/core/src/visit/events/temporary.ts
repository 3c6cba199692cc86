import * as t from '@sinclair/typebox';
import { bodyOf, name, oneOf } from '../../question';
import { words } from '../fields';
import type { EventKind } from './event-kind';

/** What can be there for now and is no setting: what is plugged and done is in the setup. */
export const LOOSE = ['lead', 'part-out', 'joint', 'panel'] as const;

const body = bodyOf('temporary', {
  kind: oneOf(LOOSE),
  title: words,
  /** The point or the part on the drawing, where it is one. */
  of: t.Optional(name),
});

/** A lead lifted on purpose, a part out, a joint open, a panel off: it has to be undone. */
export const temporary: EventKind<typeof body> = { body };
