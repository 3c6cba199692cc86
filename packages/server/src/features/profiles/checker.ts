import type { Piscina } from 'piscina';
import { Problem } from '../../http/problem';
import { threadPool } from '../../thread-pool';
import type { ThreadScript } from '../../thread-script';
import type { CheckAnswer, CheckAsked } from './checks';

/** What one check may take: time in milliseconds, memory in megabytes, and how many may wait for their turn. */
const LIMITS = { time: 30_000, memory: 192, waiting: 16 };

type Limits = Readonly<typeof LIMITS>;

/**
 * Checks profiles beside the server, in a thread of limited time and memory: what takes too long is ended with its thread, and
 * nobody else waits for it.
 */
export class ProfileChecker {
  readonly #pool: Piscina<CheckAsked, CheckAnswer>;
  #turn: Promise<unknown> = Promise.resolve();
  /** Checks that run or wait for their turn. */
  #waiting = 0;

  constructor(
    script: ThreadScript,
    private readonly limits: Limits = LIMITS,
  ) {
    this.#pool = threadPool(script, limits.memory);
  }

  /** Throws a Problem when the check takes too much, or too many wait already. */
  async check(asked: CheckAsked): Promise<CheckAnswer> {
    if (this.#waiting > this.limits.waiting)
      throw new Problem(503, 'Too many checks at once', 'Other profiles are being checked. Try again in a minute.');
    this.#waiting++;
    // One at a time; the time that one may take begins with its turn.
    const turn = this.#turn.then(() => this.#run(asked));
    this.#turn = turn.catch(() => undefined);
    return turn.finally(() => this.#waiting--);
  }

  async #run(asked: CheckAsked): Promise<CheckAnswer> {
    const late = AbortSignal.timeout(this.limits.time);
    try {
      return await this.#pool.run(asked, { signal: late });
    } catch (error) {
      if (late.aborted)
        throw new Problem(
          400,
          'Takes too long',
          `The check did not end within ${this.limits.time / 1000} seconds. Make the profile simpler.`,
        );
      if ((error as { code?: string }).code === 'ERR_WORKER_OUT_OF_MEMORY')
        throw new Problem(
          400,
          'Takes too much memory',
          `The check needs more than ${this.limits.memory} MB. Make the profile simpler.`,
        );
      throw error;
    }
  }

  close(): Promise<void> {
    return this.#pool.destroy();
  }
}
