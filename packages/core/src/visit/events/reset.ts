import { bodyOf, name, oneOf } from '../../question';
import { words } from '../fields';
import type { EventKind } from './event-kind';

const body = bodyOf('reset', { safety: name, title: words, kind: name, by: oneOf(['us', 'customer'] as const) });

/** The reset of a safety was pressed and clicked, here or by the customer before. */
export const reset: EventKind<typeof body> = { body };
