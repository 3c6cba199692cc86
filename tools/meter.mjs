// `npm run meter`: simulated instruments in front of a virtual appliance, and the protocol that the call page listens to.
import { fork } from 'node:child_process';
import { join } from 'node:path';
import { ensureMeterBuild, ensureWebBuild, METER_MAIN, WEB_DIST } from './build.mjs';
import { ensureNodePackages, ROOT } from './packages.mjs';
import { stop } from './process.mjs';
import { runMain } from './say.mjs';

/** Starts the instruments and waits until they can be reached: their address, and the code that pairs. */
export async function startMeter(args, { quiet = true } = {}) {
  await ensureMeterBuild();
  const child = fork(METER_MAIN, args, {
    cwd: ROOT,
    execArgv: ['--enable-source-maps'],
    env: { ...process.env, ZETALYSIS_ROOT: ROOT, WEB_DIR: WEB_DIST },
    stdio: ['ignore', quiet ? 'ignore' : 'inherit', 'inherit', 'ipc'],
    detached: quiet,
  });
  return new Promise((resolve, reject) => {
    child.once('message', ({ address, code }) => resolve({ child, address, code, stop: () => stop(child) }));
    child.once('exit', (code) => reject(new Error(`the instruments ended with ${code}`)));
  });
}

if (process.argv[1] === join(ROOT, 'tools/meter.mjs'))
  runMain(async () => {
    await ensureNodePackages();
    await ensureWebBuild();
    await ensureMeterBuild();
    const child = fork(METER_MAIN, process.argv.slice(2), {
      cwd: ROOT,
      execArgv: ['--enable-source-maps'],
      env: { ...process.env, ZETALYSIS_ROOT: ROOT, WEB_DIR: WEB_DIST },
    });
    for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal));
    child.once('exit', (code) => process.exit(code ?? 0));
  });
