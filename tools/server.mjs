import { fork } from 'node:child_process';
import { join } from 'node:path';
import { ensureServerBuild, SERVER_MAIN } from './build.mjs';
import { ROOT } from './packages.mjs';
import { stop } from './process.mjs';

/**
 * Starts one Zetalysis server process and waits until it listens: the built one, or with `source` straight from its
 * TypeScript. `season` is the file of a year's work for the demo; `say` is told how far its loading is.
 */
export async function startServer(env, { demo = false, season, source = false, say } = {}) {
  if (!source) await ensureServerBuild();
  const main = source ? join(ROOT, 'packages/server/src/main.ts') : SERVER_MAIN;
  const child = fork(main, [...(demo ? ['--demo'] : []), ...(season === undefined ? [] : ['--season', season])], {
    cwd: ROOT,
    execArgv: source ? ['--import', 'tsx'] : ['--enable-source-maps'],
    env: { ...process.env, ...env },
    stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
    detached: true,
  });
  return new Promise((resolve, reject) => {
    child.on('message', (told) => {
      if (told === 'listening') resolve({ child, stop: () => stop(child) });
      else say?.(told.done);
    });
    child.once('exit', (code) => reject(new Error(`the server ended with ${code}; see its log`)));
  });
}
