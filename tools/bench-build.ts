// The engine's benchmark, built as the web application is: for a page of its own, and for a Node process of its own.
import { join } from 'node:path';
import type { EngineFigures } from './bench-engine';
import { ROOT } from './packages.mjs';
import { run } from './process.mjs';

/** Where the profile of a family is. */
export const profileOf = (id: string): string => join(ROOT, 'profiles', `${id}.yaml`);

/** Builds the script into a folder; gives its path. */
export async function buildEngine(folder: string): Promise<string> {
  await run('npx', ['vite', 'build', '--config', join(import.meta.dirname, 'bench-engine.config.mjs')], {
    cwd: join(ROOT, 'packages/web'),
    env: { ...process.env, BENCH_OUT: folder },
  });
  return join(folder, 'bench.js');
}

/** One family in a fresh process, and the heap that was in use at its end, bytes. */
export async function measureInNode(script: string, id: string): Promise<EngineFigures & { readonly heap: number }> {
  const out = await run(process.execPath, [join(import.meta.dirname, 'bench-family.mjs'), script, profileOf(id), id]);
  return JSON.parse(out) as EngineFigures & { readonly heap: number };
}
