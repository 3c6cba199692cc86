import { bodyOf } from '../../question';
import { uuid, words } from '../fields';
import type { EventKind } from './event-kind';

const body = bodyOf('photo', { photo: uuid, words });

/** A photo was taken. The picture itself is kept beside the log, where it can be erased. */
export const photo: EventKind<typeof body> = { body };
