import { Piscina } from 'piscina';
import type { ThreadScript } from './thread-script';

/** One thread beside the server that is started when it is needed and may take so many megabytes. */
export function threadPool<Asked, Answer>(
  { file, execArgv = [] }: ThreadScript,
  memory: number,
): Piscina<Asked, Answer> {
  const pool = new Piscina<Asked, Answer>({
    filename: file,
    execArgv,
    minThreads: 0,
    maxThreads: 1,
    idleTimeout: 30_000,
    resourceLimits: { maxOldGenerationSizeMb: memory, maxYoungGenerationSizeMb: 32 },
  });
  // A thread that dies while nobody waits for it is replaced when it is next needed.
  pool.on('error', () => undefined);
  return pool;
}
