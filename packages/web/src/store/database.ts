import type { RateBook } from '@zetalysis/core/book';
import type { Authority } from '@zetalysis/core/rules';
import type { CallEvent } from '@zetalysis/core/visit';
import type { Machine, Photo } from '@zetalysis/contract';
import { type DBSchema, type IDBPDatabase, openDB } from 'idb';

/** An entry as the browser keeps it. */
export interface KeptEvent {
  readonly event: CallEvent;
  readonly id: string;
  readonly call: string;
  /** 0 while it waits to be sent. */
  readonly sent: 0 | 1;
  /** Its place in the order in which the server took the call's entries. */
  readonly number?: number;
  /** What its person might do when it came, as the server vouches. */
  readonly as?: Authority;
  /** The server's words when it refused the entry. It stays here; nothing is lost. */
  readonly refused?: string;
}

/** A photo that was taken here, as it waits or for as long as this browser has room. */
export interface KeptPhoto {
  readonly id: string;
  readonly call: string;
  readonly person: string;
  readonly type: Photo['type'];
  /** Base64. */
  readonly data: string;
  readonly sent: 0 | 1;
  readonly refused?: string;
}

export interface KeptProfile {
  readonly id: string;
  readonly version: string;
  readonly source: string;
}

/** Rates of the shop in a version, which never change. */
interface KeptRates {
  readonly version: number;
  readonly book: RateBook;
}

interface Schema extends DBSchema {
  events: { key: string; value: KeptEvent; indexes: { call: string; sent: number } };
  photos: { key: string; value: KeptPhoto; indexes: { sent: number } };
  profiles: { key: [string, string]; value: KeptProfile; indexes: { id: string } };
  machines: { key: string; value: Machine };
  cursors: { key: string; value: { call: string; cursor: number } };
  rates: { key: number; value: KeptRates };
}

let opened: Promise<IDBPDatabase<Schema>> | undefined;

/** The browser's own store. */
export const database = (): Promise<IDBPDatabase<Schema>> =>
  (opened ??= openDB<Schema>('zetalysis', 3, {
    upgrade(db, from) {
      if (from === 0) {
        const events = db.createObjectStore('events', { keyPath: 'id' });
        events.createIndex('call', 'call');
        events.createIndex('sent', 'sent');
        db.createObjectStore('cursors', { keyPath: 'call' });
      }
      if (from === 1) {
        // Cursors counted arrivals, and profiles were kept in one version only: both are fetched again.
        db.deleteObjectStore('profiles');
        db.deleteObjectStore('cursors');
        db.createObjectStore('cursors', { keyPath: 'call' });
      }
      if (from < 2) {
        db.createObjectStore('profiles', { keyPath: ['id', 'version'] }).createIndex('id', 'id');
        db.createObjectStore('machines', { keyPath: 'id' });
        db.createObjectStore('photos', { keyPath: 'id' }).createIndex('sent', 'sent');
      }
      db.createObjectStore('rates', { keyPath: 'version' });
    },
    // Another tab has a newer program: it may go on, this one opens the store again when it needs it.
    blocking(_from, _to, event) {
      (event.target as IDBDatabase).close();
      opened = undefined;
    },
    terminated() {
      opened = undefined;
    },
  }));

/** Asks the browser not to throw the store away when it runs short of room. */
export async function askToPersist(): Promise<void> {
  if ((await navigator.storage?.persisted?.()) === false) await navigator.storage.persist();
}
