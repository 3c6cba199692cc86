import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { exists, run } from './process.mjs';
import { Advice, step } from './say.mjs';

export const ROOT = join(import.meta.dirname, '..');
export const DATA = join(ROOT, '.data');

/** Installs node packages when they are missing or older than the lock file. */
export async function ensureNodePackages() {
  if (Number(process.versions.node.split('.')[0]) < 20)
    throw new Advice(`Node 20 or newer is needed; this is ${process.version}.`);
  const mark = join(ROOT, 'node_modules', '.zetalysis-lock');
  const lock = createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .digest('hex');
  if (existsSync(mark) && readFileSync(mark, 'utf8') === lock) return;
  await step('Installing node packages (a minute or two the first time)', () =>
    run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel', 'error'], { cwd: ROOT }),
  );
  writeFileSync(mark, lock);
}

/** Installs Debian packages when a command is missing: as root; otherwise says what to install. */
export async function ensureDebian(command, packages, paths = []) {
  if ((await exists(command)) || paths.some((p) => existsSync(p))) return;
  const line = `apt-get install -y --no-install-recommends ${packages.join(' ')}`;
  if (process.getuid?.() !== 0) throw new Advice(`${command} is missing. As root, run: ${line}`);
  await step(`Installing ${packages.join(', ')} from Debian`, async () => {
    const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
    await run('apt-get', ['update'], { env });
    await run('apt-get', line.split(' ').slice(1), { env });
  });
}

/** The private data directory inside the project, ignored by git. */
export function dataDirectory(...parts) {
  const path = join(DATA, ...parts);
  mkdirSync(path, { recursive: true });
  return path;
}
