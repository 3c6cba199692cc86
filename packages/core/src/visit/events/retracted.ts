import { bodyOf } from '../../question';
import { uuid } from '../fields';
import type { EventKind } from './event-kind';

const body = bodyOf('retracted', { event: uuid });

/** Takes another entry back. The reducer leaves that one out before it folds the rest. */
export const retracted: EventKind<typeof body> = { body };
