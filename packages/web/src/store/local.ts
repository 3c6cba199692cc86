import { type CallEvent, withoutFreeText } from '@zetalysis/core/visit';
import type { NumberedEvent } from '@zetalysis/contract';
import { database, type KeptEvent, type KeptPhoto } from './database';

/** That a call has news; `made` when somebody on this device made an entry, which now waits to be sent. */
interface News {
  readonly call: string;
  readonly made: boolean;
}

/** Tells the other tabs of this browser. */
const channel = new BroadcastChannel('zetalysis');
const listeners = new Set<(news: News) => void>();
channel.onmessage = (message: MessageEvent<News>) => listeners.forEach((l) => l(message.data));

export function onNews(listener: (news: News) => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

function announce(call: string, made = false): void {
  const news = { call, made };
  channel.postMessage(news);
  listeners.forEach((l) => l(news));
}

/** Written to the disk, and not only promised, before it counts. */
const STRICT = { durability: 'strict' } as const;

/**
 * The browser's own store of entries: what is typed goes here first and is sent from here. What waits belongs to whoever made
 * it: nobody else reads it, sends it, or is held up by it.
 */
export const local = {
  /** What this person sees of a call: everything that the server has, and their own. */
  async events(call: string, person: string): Promise<KeptEvent[]> {
    const all = await (await database()).getAllFromIndex('events', 'call', call);
    return all.filter((k) => k.sent === 1 || k.event.person === person);
  },

  /** What waits to be sent in a person's name, over all calls, refused ones too. */
  async waiting(person: string): Promise<{ events: KeptEvent[]; photos: KeptPhoto[] }> {
    const db = await database();
    const events = await db.getAllFromIndex('events', 'sent', 0);
    const photos = await db.getAllFromIndex('photos', 'sent', 0);
    return {
      events: events.filter((k) => k.event.person === person),
      photos: photos.filter((p) => p.person === person),
    };
  },

  /** Keeps an entry. Throws when the browser cannot: then it is not kept. */
  async append(event: CallEvent): Promise<void> {
    const tx = (await database()).transaction('events', 'readwrite', STRICT);
    await Promise.all([tx.store.put({ event, id: event.id, call: event.call, sent: 0 }), tx.done]);
    announce(event.call, true);
  },

  /** Keeps a photo. Throws when the browser cannot. */
  async addPhoto(photo: Omit<KeptPhoto, 'sent'>): Promise<void> {
    const tx = (await database()).transaction('photos', 'readwrite', STRICT);
    await Promise.all([tx.store.put({ ...photo, sent: 0 }), tx.done]);
    announce(photo.call, true);
  },

  /** Keeps entries that came from the server, and drops the words that it says are taken out. */
  async receive(call: string, entries: readonly NumberedEvent[], cursor: number): Promise<void> {
    const tx = (await database()).transaction(['events', 'cursors'], 'readwrite');
    const store = tx.objectStore('events');
    let news = false;
    for (const { event, number, as } of entries) {
      const known = await store.get(event.id);
      news ||= known?.number !== number || (as !== undefined && known.as === undefined);
      await store.put({ event, id: event.id, call, sent: 1, number, ...(as && { as }) });
      if (event.body.type !== 'redacted') continue;
      const meant = await store.get(event.body.event);
      if (meant) await store.put({ ...meant, event: withoutFreeText(meant.event) });
    }
    await tx.objectStore('cursors').put({ call, cursor });
    await tx.done;
    if (news) announce(call);
  },

  /** The server has these. */
  async markSent(acknowledged: readonly { readonly id: string; readonly number: number }[]): Promise<void> {
    const tx = (await database()).transaction('events', 'readwrite');
    const calls = new Set<string>();
    for (const { id, number } of acknowledged) {
      const kept = await tx.store.get(id);
      if (!kept) continue;
      await tx.store.put({ event: kept.event, id, call: kept.call, sent: 1, number });
      calls.add(kept.call);
    }
    await tx.done;
    calls.forEach((call) => announce(call));
  },

  async markRefused(id: string, words: string): Promise<void> {
    const db = await database();
    const kept = await db.get('events', id);
    if (!kept) return;
    await db.put('events', { ...kept, refused: words });
    announce(kept.call);
  },

  /** The server has a photo, or its words when it refused it. */
  async settlePhoto(id: string, refused?: string): Promise<void> {
    const db = await database();
    const kept = await db.get('photos', id);
    if (!kept) return;
    await db.put('photos', refused === undefined ? { ...kept, sent: 1 } : { ...kept, refused });
  },

  /** What was refused is sent once more. */
  async tryAgain(person: string): Promise<void> {
    const tx = (await database()).transaction(['events', 'photos'], 'readwrite');
    for (const { refused: _words, ...kept } of await tx.objectStore('events').index('sent').getAll(0))
      if (kept.event.person === person) await tx.objectStore('events').put(kept);
    for (const { refused: _words, ...kept } of await tx.objectStore('photos').index('sent').getAll(0))
      if (kept.person === person) await tx.objectStore('photos').put(kept);
    await tx.done;
    announce('', true);
  },

  async cursor(call: string): Promise<number> {
    return (await (await database()).get('cursors', call))?.cursor ?? 0;
  },

  /** Whether every entry up to the cursor is here; if not, all are fetched again. */
  async isWhole(call: string, cursor: number): Promise<boolean> {
    const all = await (await database()).getAllFromIndex('events', 'call', call);
    return all.filter((k) => k.number !== undefined && k.number <= cursor).length === cursor;
  },

  /**
   * Begins a call's entries anew: everything is fetched again. `lost` says that the server has gone back in time; then what
   * it had is sent again by whoever made it.
   */
  async startOver(call: string, { lost }: { readonly lost: boolean }): Promise<void> {
    const tx = (await database()).transaction(['events', 'cursors'], 'readwrite');
    await tx.objectStore('cursors').put({ call, cursor: 0 });
    if (lost)
      for (const { number: _number, ...kept } of await tx.objectStore('events').index('call').getAll(call))
        await tx.objectStore('events').put({ ...kept, sent: 0 });
    await tx.done;
  },

  /** Calls that a person opened and that the server does not have yet. */
  async unsentOpenings(person: string): Promise<CallEvent[]> {
    const { events } = await local.waiting(person);
    return events.map((k) => k.event).filter((e) => e.body.type === 'opened');
  },
};
