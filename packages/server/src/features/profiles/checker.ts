import { Piscina } from 'piscina';
import { Problem } from '../../http/problem';
import type { CheckAnswer, CheckAsked } from './checks';

/** What one check may take: time in milliseconds, memory in megabytes, and how many may wait for their turn. */
const LIMITS = { time: 15_000, memory: 192, waiting: 16 };

/** Where the checks are, and how Node has to be started to read them. */
export interface CheckScript {
  readonly file: string;
  readonly execArgv?: string[];
}

/**
 * Checks profiles beside the server, in a thread of limited time and memory: what takes too long is ended with its thread, and
 * nobody else waits for it.
 */
export class ProfileChecker {
  readonly #pool: Piscina<CheckAsked, CheckAnswer>;

  constructor({ file, execArgv = [] }: CheckScript) {
    this.#pool = new Piscina({
      filename: file,
      execArgv,
      minThreads: 0,
      maxThreads: 1,
      idleTimeout: 30_000,
      maxQueue: LIMITS.waiting,
      resourceLimits: { maxOldGenerationSizeMb: LIMITS.memory, maxYoungGenerationSizeMb: 32 },
    });
  }

  /** Throws a Problem when the check takes too much, or too many wait already. */
  async check(asked: CheckAsked): Promise<CheckAnswer> {
    const late = AbortSignal.timeout(LIMITS.time);
    try {
      return await this.#pool.run(asked, { signal: late });
    } catch (error) {
      const { code, message } = error as { code?: string; message: string };
      if (late.aborted)
        throw new Problem(400, 'Takes too long', `The check did not end within ${LIMITS.time / 1000} seconds. Make the profile simpler.`);
      if (code === 'ERR_WORKER_OUT_OF_MEMORY')
        throw new Problem(400, 'Takes too much memory', `The check needs more than ${LIMITS.memory} MB. Make the profile simpler.`);
      if (/queue/i.test(message))
        throw new Problem(503, 'Too many checks at once', 'Other profiles are being checked. Try again in a minute.');
      throw error;
    }
  }

  close(): Promise<void> {
    return this.#pool.destroy();
  }
}
