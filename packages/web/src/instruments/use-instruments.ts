import { useSyncExternalStore } from 'react';
import { Connection, type Connected } from './connection';
import type { Paired } from './paired';

let current: { readonly key: string; readonly connection: Connection } | undefined;

/** The one connection of this page to the instruments that it is paired with. */
export function connectionTo(paired: Paired): Connection {
  const key = `${paired.address} ${paired.code}`;
  if (current?.key !== key) current = { key, connection: new Connection(paired) };
  return current.connection;
}

export function useInstruments(paired: Paired): Connected {
  const { subscribe, snapshot } = connectionTo(paired);
  return useSyncExternalStore(subscribe, snapshot);
}
