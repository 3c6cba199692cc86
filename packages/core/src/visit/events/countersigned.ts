import { bodyOf, oneOf } from '../../question';
import { uuid, words } from '../fields';
import type { EventKind } from './event-kind';

const body = bodyOf('countersigned', { event: uuid, says: oneOf(['yes', 'no'] as const), words });

/** Somebody who may stands for what another claimed, or sends it back. */
export const countersigned: EventKind<typeof body> = { body };
