import type { CallEvent } from '@zetalysis/core/visit';
import { http, ServerProblem } from '../api/http';
import { local } from './local';

export type SyncState =
  | { readonly kind: 'sent' }
  | { readonly kind: 'sending'; readonly waiting: number }
  | { readonly kind: 'away'; readonly waiting: number; readonly words: string }
  | { readonly kind: 'signed-out'; readonly waiting: number }
  | { readonly kind: 'refused'; readonly waiting: number; readonly words: string };

const BATCH = 100;

/** Sends everything that waits for a call, oldest first. Sending again changes nothing, so a lost answer does no harm. */
export async function push(call: string): Promise<SyncState> {
  for (;;) {
    const waiting = (await local.unsent()).filter((k) => k.call === call).sort((a, b) => a.event.seq - b.event.seq);
    const sendable = waiting.filter((k) => k.refused === undefined);
    const refused = waiting.find((k) => k.refused !== undefined);
    if (sendable.length === 0)
      return refused ? { kind: 'refused', waiting: waiting.length, words: refused.refused! } : { kind: 'sent' };
    const batch = sendable.slice(0, BATCH);
    try {
      await http('POST /calls/:id/events', { params: { id: call }, body: { events: batch.map((k) => k.event) } });
      await local.markSent(batch.map((k) => k.id));
    } catch (error) {
      if (!(error instanceof ServerProblem)) throw error;
      if (error.status === 401) return { kind: 'signed-out', waiting: waiting.length };
      if (error.away || error.status === 429) return { kind: 'away', waiting: waiting.length, words: error.message };
      // One bad event must not hold up the others: find it by sending singly.
      if (batch.length > 1) {
        for (const kept of batch) await pushOne(call, kept.event);
      } else await local.markRefused(batch[0]!.id, error.message);
    }
  }
}

async function pushOne(call: string, event: CallEvent): Promise<void> {
  try {
    await http('POST /calls/:id/events', { params: { id: call }, body: { events: [event] } });
    await local.markSent([event.id]);
  } catch (error) {
    if (error instanceof ServerProblem && !error.away && error.status !== 401)
      await local.markRefused(event.id, error.message);
  }
}

/** Fetches what is new on the server for a call. */
export async function pull(call: string): Promise<void> {
  for (;;) {
    const after = await local.cursor(call);
    const page = await http('GET /calls/:id/events', { params: { id: call }, query: { after: String(after) } });
    await local.receive(call, page.events, page.cursor);
    if (!page.more) return;
  }
}
