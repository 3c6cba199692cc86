import { wrap, type Remote } from 'comlink';
import type { EngineApi } from './worker';

/** One engine worker per call page. */
export function startEngine(): { api: Remote<EngineApi>; stop: () => void } {
  const worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });
  return { api: wrap<EngineApi>(worker), stop: () => worker.terminate() };
}
