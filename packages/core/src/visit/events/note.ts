import * as t from '@sinclair/typebox';
import { bodyOf } from '../../question';
import type { EventKind } from './event-kind';

const body = bodyOf('note', { text: t.String({ minLength: 1, maxLength: 4000 }) });

export const note: EventKind<typeof body> = { body };
