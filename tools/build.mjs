import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './packages.mjs';
import { run } from './process.mjs';
import { step } from './say.mjs';

export const WEB_DIST = join(ROOT, 'packages/web/dist');
const SOURCES = [
  'packages/core/src',
  'packages/web/src',
  'packages/web/public',
  'packages/web/index.html',
  'packages/web/vite.config.ts',
  'package-lock.json',
];

/** Builds the web app when its sources changed since the last build. */
export async function ensureWebBuild() {
  const hash = createHash('sha256');
  const add = (path) => {
    if (!existsSync(path)) return;
    const entries =
      path.includes('.') && !path.endsWith('src') ? undefined : readdirSync(path, { withFileTypes: true });
    if (!entries) return void hash.update(path.slice(ROOT.length)).update(readFileSync(path));
    for (const entry of entries.sort((a, b) => (a.name < b.name ? -1 : 1))) {
      const inner = join(path, entry.name);
      if (entry.isDirectory()) add(inner);
      else hash.update(inner.slice(ROOT.length)).update(readFileSync(inner));
    }
  };
  for (const source of SOURCES) add(join(ROOT, source));
  const mark = join(WEB_DIST, '.sources');
  const digest = hash.digest('hex');
  if (existsSync(mark) && readFileSync(mark, 'utf8') === digest) return;
  await step('Building the web app', () =>
    run('npx', ['vite', 'build', '--logLevel', 'warn'], { cwd: join(ROOT, 'packages/web') }),
  );
  writeFileSync(mark, digest);
}
