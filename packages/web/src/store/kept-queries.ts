import { createAsyncStoragePersister } from '@tanstack/query-async-storage-persister';
import type { PersistQueryClientOptions } from '@tanstack/react-query-persist-client';
import type { Me } from '@zetalysis/contract';
import { del, get, set } from 'idb-keyval';

/** Of what is only here, or changes with who asks, nothing is kept. */
const NEVER: ReadonlySet<unknown> = new Set([
  'me',
  'ending',
  'waiting',
  'unsent-openings',
  'sessions',
  'contact',
  'photo',
]);

/** What the server showed a person, kept in this browser for when it is away; for nobody else. */
export const keptQueries = (me: Me, maxAge: number): Omit<PersistQueryClientOptions, 'queryClient'> => ({
  maxAge,
  // Raised when what lists hold has changed its shape.
  buster: '2',
  persister: createAsyncStoragePersister({
    key: `zetalysis.shown.${me.id}`,
    storage: { getItem: (key) => get<string>(key), setItem: (key, text: string) => set(key, text), removeItem: del },
  }),
  dehydrateOptions: {
    // What failed last still has what it showed before.
    shouldDehydrateQuery: ({ queryKey, state }) => state.data !== undefined && !NEVER.has(queryKey[0]),
  },
});
