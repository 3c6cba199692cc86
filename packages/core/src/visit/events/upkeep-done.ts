import * as t from '@sinclair/typebox';
import { bodyOf, name, oneOf } from '../../question';
import { words } from '../fields';
import type { EventKind } from './event-kind';

const body = bodyOf('upkeep-done', {
  duty: name,
  /** What it is called, for readers that do not know it. */
  title: t.String({ minLength: 1, maxLength: 120 }),
  result: oneOf(['good', 'bad'] as const),
  words,
});

/** Something of the machine's upkeep was done on a call. */
export const upkeepDone: EventKind<typeof body> = { body };
