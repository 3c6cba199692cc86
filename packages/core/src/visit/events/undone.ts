import { bodyOf } from '../../question';
import { uuid } from '../fields';
import type { EventKind } from './event-kind';

const body = bodyOf('undone', { event: uuid });

/** Something temporary is as it was. */
export const undone: EventKind<typeof body> = { body };
