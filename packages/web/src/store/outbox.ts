import { compareEvents } from '@zetalysis/core/visit';
import { http, ServerProblem } from '../api/http';
import type { KeptEvent } from './database';
import { local } from './local';
import { settleResult, unsentResults } from './practice';

/** How it stands with what waits on this device in one person's name. */
export type OutboxState =
  | { readonly kind: 'sent' }
  | { readonly kind: 'sending'; readonly waiting: number }
  | { readonly kind: 'away'; readonly waiting: number; readonly words: string }
  | { readonly kind: 'signed-out'; readonly waiting: number }
  | { readonly kind: 'refused'; readonly waiting: number; readonly words: string };

const BATCH = 100;

/** What the server has already, though the browser could not write that down: it is not sent again by this page. */
const acknowledged = new Set<string>();

/** Thrown through the loops when there is no use in sending more now. */
class Halt extends Error {
  constructor(readonly problem: ServerProblem) {
    super(problem.message);
  }
}

/**
 * Sends everything that waits in a person's name, over all calls, oldest first, then the photos and what was practised. Sending again changes
 * nothing, so a lost answer does no harm. One that cannot be sent, or not be marked as sent, never holds up the others.
 */
export async function sendAll(person: string): Promise<OutboxState> {
  try {
    for (const events of byCall(await unsent(person)))
      for (let from = 0; from < events.length; from += BATCH) await send(events.slice(from, from + BATCH));
    await sendPhotos(person);
    await sendPractice(person);
  } catch (error) {
    if (!(error instanceof Halt)) throw error;
    const waiting = await count(person);
    if (error.problem.status === 401) return { kind: 'signed-out', waiting };
    return { kind: 'away', waiting, words: error.message };
  }
  return standing(person);
}

/** What waits now, without sending anything. */
export async function standing(person: string): Promise<OutboxState> {
  const { events, photos } = await local.waiting(person);
  const waiting = [...events, ...photos, ...unsentResults(person)].filter((k) => !acknowledged.has(k.id));
  const words = waiting.find((k) => k.refused !== undefined)?.refused;
  if (waiting.some((k) => k.refused === undefined)) return { kind: 'sending', waiting: waiting.length };
  return words === undefined ? { kind: 'sent' } : { kind: 'refused', waiting: waiting.length, words };
}

const count = async (person: string): Promise<number> => {
  const state = await standing(person);
  return 'waiting' in state ? state.waiting : 0;
};

const unsent = async (person: string): Promise<KeptEvent[]> =>
  (await local.waiting(person)).events.filter((k) => k.refused === undefined && !acknowledged.has(k.id));

function byCall(events: readonly KeptEvent[]): KeptEvent[][] {
  const calls = new Map<string, KeptEvent[]>();
  for (const kept of [...events].sort((a, b) => compareEvents(a.event, b.event)))
    calls.set(kept.call, [...(calls.get(kept.call) ?? []), kept]);
  return [...calls.values()];
}

/** Sends a batch of one call; what the server refuses of it stays here with the server's words. */
async function send(batch: readonly KeptEvent[]): Promise<void> {
  const id = batch[0]!.call;
  try {
    const taken = await http('POST /calls/:id/events', {
      params: { id },
      body: { events: batch.map((k) => k.event) },
    });
    for (const { id: of } of taken.acknowledged) acknowledged.add(of);
    await quietly(local.markSent(taken.acknowledged));
    for (const refused of taken.refused) await quietly(local.markRefused(refused.id, refused.detail));
  } catch (error) {
    if (!(error instanceof ServerProblem)) throw error;
    if (error.away || error.status === 429 || error.status === 401) throw new Halt(error);
    // The batch could not be read as a whole: each by itself shows which one it is.
    if (batch.length > 1) for (const kept of batch) await send([kept]);
    else await quietly(local.markRefused(batch[0]!.id, error.message));
  }
}

async function sendPhotos(person: string): Promise<void> {
  for (const photo of (await local.waiting(person)).photos) {
    if (photo.refused !== undefined || acknowledged.has(photo.id)) continue;
    const { id, call, type, data } = photo;
    try {
      await http('PUT /photos/:id', { params: { id }, body: { call, type, data } });
      acknowledged.add(id);
      await quietly(local.settlePhoto(id));
    } catch (error) {
      if (!(error instanceof ServerProblem)) throw error;
      if (error.away || error.status === 429 || error.status === 401) throw new Halt(error);
      await quietly(local.settlePhoto(id, error.message));
    }
  }
}

async function sendPractice(person: string): Promise<void> {
  for (const { refused, ...body } of unsentResults(person)) {
    if (refused !== undefined) continue;
    try {
      await http('POST /practice/results', { body });
      settleResult(person, body.id);
    } catch (error) {
      if (!(error instanceof ServerProblem)) throw error;
      if (error.away || error.status === 429 || error.status === 401) throw new Halt(error);
      settleResult(person, body.id, error.message);
    }
  }
}

/** A browser without room cannot write down that something was sent; it goes on sending the rest. */
const quietly = (writing: Promise<void>): Promise<void> => writing.catch(() => undefined);
