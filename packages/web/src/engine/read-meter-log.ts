import type { MeterLog } from '@zetalysis/core/analysis';
import { proxy, wrap } from 'comlink';
import type { LogApi } from './log-worker';

/** Larger files are refused, bytes. */
const MOST = 60 * 2 ** 20;

/**
 * Reads the file of a logging meter in a worker of its own, which ends with it.
 * @throws Error with words for the reader, when it is no such file
 */
export async function readMeterLogFile(file: File, onProgress: (share: number) => void): Promise<MeterLog> {
  if (file.size > MOST) throw new Error('More than 60 MB: cut the log to the tries that matter, and read it again.');
  const worker = new Worker(new URL('./log-worker.ts', import.meta.url), { type: 'module' });
  try {
    return await wrap<LogApi>(worker).read(await file.text(), proxy(onProgress));
  } finally {
    worker.terminate();
  }
}
