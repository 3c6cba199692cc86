import { fork } from 'node:child_process';
import { join } from 'node:path';
import { ROOT } from './packages.mjs';
import { stop } from './process.mjs';

/** Starts one Zetalysis server process and waits until it listens. */
export function startServer(env, { demo = false } = {}) {
  const child = fork(join(ROOT, 'packages/server/src/main.ts'), demo ? ['--demo'] : [], {
    cwd: ROOT,
    execArgv: ['--import', 'tsx'],
    env: { ...process.env, ...env },
    stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
    detached: true,
  });
  return new Promise((resolve, reject) => {
    child.once('message', () => resolve({ child, stop: () => stop(child) }));
    child.once('exit', (code) => reject(new Error(`the server ended with ${code}; see its log`)));
  });
}
