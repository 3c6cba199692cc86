import type { CaseFacts } from '@zetalysis/core/book';
import type { Piscina } from 'piscina';
import { threadPool } from '../../thread-pool';
import type { ThreadScript } from '../../thread-script';
import type { Asked, CountedOf, Learned, MachineLine } from './facts';

/** Megabytes that a thread which replays calls may take. */
const MEMORY = 320;

/** Replays calls beside the server, one at a time, in a thread of its own: nobody waits for it. */
export class BookReader {
  readonly #pool: Piscina<Asked, CaseFacts | undefined | Learned | MachineLine[]>;

  constructor(script: ThreadScript) {
    this.#pool = threadPool(script, MEMORY);
  }

  facts(asked: Omit<Extract<Asked, { what: 'facts' }>, 'what'>): Promise<CaseFacts | undefined> {
    return this.#pool.run({ what: 'facts', ...asked }) as Promise<CaseFacts | undefined>;
  }

  lines(asked: Omit<Extract<Asked, { what: 'lines' }>, 'what'>): Promise<MachineLine[]> {
    return this.#pool.run({ what: 'lines', ...asked }) as Promise<MachineLine[]>;
  }

  learn(families: readonly CountedOf[]): Promise<Learned> {
    return this.#pool.run({ what: 'learn', families }) as Promise<Learned>;
  }

  close(): Promise<void> {
    return this.#pool.destroy();
  }
}
