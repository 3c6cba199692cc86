import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { CallEvent } from '@zetalysis/core/visit';

/** An event as this browser keeps it. */
export interface KeptEvent {
  readonly event: CallEvent;
  readonly id: string;
  readonly call: string;
  readonly sent: 0 | 1;
  /** The server's words when it refused the event. It stays here; nothing is lost. */
  readonly refused?: string;
}

interface Schema extends DBSchema {
  events: { key: string; value: KeptEvent; indexes: { call: string; sent: number } };
  profiles: { key: string; value: { id: string; version: string; source: string } };
  cursors: { key: string; value: { call: string; cursor: number } };
}

let opened: Promise<IDBPDatabase<Schema>> | undefined;
const db = (): Promise<IDBPDatabase<Schema>> =>
  (opened ??= openDB<Schema>('zetalysis', 1, {
    upgrade(database) {
      const events = database.createObjectStore('events', { keyPath: 'id' });
      events.createIndex('call', 'call');
      events.createIndex('sent', 'sent');
      database.createObjectStore('profiles', { keyPath: 'id' });
      database.createObjectStore('cursors', { keyPath: 'call' });
    },
  }));

/** Tells the other tabs of this browser that a call has news. */
const channel = new BroadcastChannel('zetalysis');
const listeners = new Set<(call: string) => void>();
channel.onmessage = (message: MessageEvent<string>) => listeners.forEach((l) => l(message.data));

export function onNews(listener: (call: string) => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

function announce(call: string): void {
  channel.postMessage(call);
  listeners.forEach((l) => l(call));
}

/** The browser's own store: what is typed goes here first and is sent from here. */
export const local = {
  async events(call: string): Promise<KeptEvent[]> {
    return (await db()).getAllFromIndex('events', 'call', call);
  },
  async unsent(): Promise<KeptEvent[]> {
    return (await db()).getAllFromIndex('events', 'sent', 0);
  },
  async append(event: CallEvent): Promise<void> {
    await (await db()).put('events', { event, id: event.id, call: event.call, sent: 0 });
    announce(event.call);
  },
  /** Keeps events that came from the server; returns whether any was new. */
  async receive(call: string, events: readonly CallEvent[], cursor: number): Promise<boolean> {
    const tx = (await db()).transaction(['events', 'cursors'], 'readwrite');
    let news = false;
    for (const event of events) {
      const known = await tx.objectStore('events').get(event.id);
      if (known?.sent === 1) continue;
      news ||= known === undefined;
      await tx.objectStore('events').put({ event, id: event.id, call, sent: 1 });
    }
    await tx.objectStore('cursors').put({ call, cursor });
    await tx.done;
    if (news) announce(call);
    return news;
  },
  async markSent(ids: readonly string[]): Promise<void> {
    const tx = (await db()).transaction('events', 'readwrite');
    let call: string | undefined;
    for (const id of ids) {
      const kept = await tx.store.get(id);
      if (kept) await tx.store.put({ event: kept.event, id, call: kept.call, sent: 1 });
      call = kept?.call;
    }
    await tx.done;
    if (call !== undefined) announce(call);
  },
  async markRefused(id: string, words: string): Promise<void> {
    const database = await db();
    const kept = await database.get('events', id);
    if (kept) await database.put('events', { ...kept, refused: words });
    if (kept) announce(kept.call);
  },
  async cursor(call: string): Promise<number> {
    return (await (await db()).get('cursors', call))?.cursor ?? 0;
  },
  async profile(id: string): Promise<{ id: string; version: string; source: string } | undefined> {
    return (await db()).get('profiles', id);
  },
  async keepProfile(profile: { id: string; version: string; source: string }): Promise<void> {
    await (await db()).put('profiles', profile);
  },
};
