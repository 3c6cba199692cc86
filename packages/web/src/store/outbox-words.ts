import type { OutboxState } from './outbox';

/** What is said of the outbox on every page. */
export function outboxWords(outbox: OutboxState): string {
  switch (outbox.kind) {
    case 'sent':
      return 'All sent';
    case 'sending':
      return outbox.waiting === 0 ? 'Sending…' : `Sending ${outbox.waiting}…`;
    case 'away':
      return outbox.waiting === 0 ? 'Server away' : `Server away: ${outbox.waiting} kept here, sent when it is back`;
    case 'signed-out':
      return `Signed out: ${outbox.waiting} kept here, sign in to send`;
    case 'refused':
      return `Server refuses ${outbox.waiting}: ${outbox.words}`;
  }
}
