// What a browser has and Node lacks, or does otherwise: import it before anything of the web app.
import 'fake-indexeddb/auto';

/** Node waits for open channels before it ends; a browser does not. */
globalThis.BroadcastChannel = class extends BroadcastChannel {
  constructor(name: string) {
    super(name);
    (this as unknown as { unref: () => void }).unref();
  }
};
