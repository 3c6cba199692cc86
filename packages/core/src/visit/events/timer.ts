import * as t from '@sinclair/typebox';
import { bodyOf, name } from '../../question';
import type { EventKind } from './event-kind';

const body = bodyOf('timer', { title: name, seconds: t.Integer({ minimum: 1, maximum: 172_800 }) });

/** A clock set for something that has to be sat out; it runs from the event's own time. */
export const timer: EventKind<typeof body> = { body };
