import { bodyOf } from '../../question';
import { words } from '../fields';
import type { EventKind } from './event-kind';

const body = bodyOf('danger-over', { words });

/** Made by logs from before stops were ended on evidence; see `stop-ended`. */
export const dangerOver: EventKind<typeof body> = { body };
