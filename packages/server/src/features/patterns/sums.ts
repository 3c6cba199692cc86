import { LRUCache } from 'lru-cache';

/** As many sums are kept, and for so long at most, milliseconds: machines are registered and moved meanwhile. */
const MOST = 100;
const LONGEST = 10 * 60_000;

/** Sums over the whole book, each made once until another call is read into it. */
export class BookSums {
  readonly #kept = new LRUCache<string, object, () => Promise<object>>({
    max: MOST,
    ttl: LONGEST,
    fetchMethod: (_key, _old, { context }) => context(),
  });
  /** How often the book has changed. */
  #state = 0;

  /** What `make` makes of the book, `of` what is asked for: the same object until the book changes. */
  async of<R extends object>(name: string, of: object, make: () => Promise<R>): Promise<R> {
    return (await this.#kept.forceFetch(JSON.stringify([this.#state, name, of]), { context: make })) as R;
  }

  /** A call was read into it. */
  changed(): void {
    this.#state++;
  }
}
