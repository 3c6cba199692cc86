import { bodyOf, oneOf } from '../../question';
import type { EventKind } from './event-kind';

/** What older logs called a danger, and the fact that it is. */
export const FORMER_DANGERS = {
  gas: { fact: 'smell', value: 'room' },
  co: { fact: 'alarm', value: 'yes' },
  fire: { fact: 'fire', value: 'yes' },
} as const;

const body = bodyOf('danger', { danger: oneOf(['gas', 'co', 'fire'] as const) });

/** Made by logs from before there were facts; see `fact`. */
export const danger: EventKind<typeof body> = { body };
