import { spawn } from 'node:child_process';
import { createServer } from 'node:net';

/** Runs a command to its end; throws with its last output when it fails. */
export function run(command, args, options = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, { stdio: ['ignore', 'pipe', 'pipe'], ...options });
    let output = '';
    const keep = (chunk) => (output = (output + chunk).slice(-8000));
    child.stdout.on('data', keep);
    child.stderr.on('data', keep);
    child.on('error', reject);
    child.on('close', (code) =>
      code === 0 ? resolve(output) : reject(new Error(`${command} ${args.join(' ')} ended with ${code}\n${output}`)),
    );
  });
}

/** Whether a command exists on the path. */
export const exists = (command) =>
  run('sh', ['-c', `command -v ${command}`]).then(
    () => true,
    () => false,
  );

/** The first free loopback port from `wanted` on; any free one when `wanted` is 0. */
export async function freePort(wanted = 0) {
  for (let port = wanted; port < wanted + 50; port++) {
    const got = await new Promise((resolve) => {
      const probe = createServer();
      probe.once('error', () => resolve(undefined));
      probe.listen(port, '127.0.0.1', () => {
        const { port: bound } = probe.address();
        probe.close(() => resolve(bound));
      });
    });
    if (got !== undefined) return got;
  }
  throw new Error(`no free port from ${wanted} on`);
}

/** Ends a child process and waits for it; kills it when it does not go by itself. */
export function stop(child, patience = 8000) {
  if (!child || child.exitCode !== null || child.signalCode !== null) return Promise.resolve();
  return new Promise((resolve) => {
    const hard = setTimeout(() => child.kill('SIGKILL'), patience);
    child.once('exit', () => {
      clearTimeout(hard);
      resolve();
    });
    child.kill('SIGTERM');
  });
}
