import * as t from '@sinclair/typebox';
import { bodyOf, name } from '../../question';
import { words } from '../fields';
import type { EventKind } from './event-kind';

const body = bodyOf('cause', { safety: name, words, mended: t.Boolean() });

/** Why a safety opened, as far as it was looked for, and whether that is mended. */
export const cause: EventKind<typeof body> = { body };
