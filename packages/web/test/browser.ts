// What a browser has and Node lacks, or does otherwise: import it before anything of the web app.
import 'fake-indexeddb/auto';

/** Node waits for open channels before it ends; a browser does not. */
globalThis.BroadcastChannel = class extends BroadcastChannel {
  constructor(name: string) {
    super(name);
    (this as unknown as { unref: () => void }).unref();
  }
};

const stored = new Map<string, string>();
/** What a browser keeps beside its databases. */
globalThis.localStorage = {
  getItem: (key: string) => stored.get(key) ?? null,
  setItem: (key: string, value: string) => void stored.set(key, value),
  removeItem: (key: string) => void stored.delete(key),
} as Storage;
