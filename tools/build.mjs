import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './packages.mjs';
import { run } from './process.mjs';
import { step } from './say.mjs';

export const WEB_DIST = join(ROOT, 'packages/web/dist');
const SERVER_DIST = join(ROOT, 'packages/server/dist');
/** The server as it runs: one file of plain JavaScript, with the node packages beside it. */
export const SERVER_MAIN = join(SERVER_DIST, 'main.js');
/** What runs on a server: the server itself, the commands of whoever runs it, and the checks of profiles in their thread. */
const SERVER_SCRIPTS = {
  'main.js': 'main.ts',
  'admin.js': 'admin.ts',
  'checks.js': 'features/profiles/checks.ts',
  'facts.js': 'features/patterns/facts.ts',
};
const METER_DIST = join(ROOT, 'packages/meter/dist');
export const METER_MAIN = join(METER_DIST, 'main.js');
const CLI_DIST = join(ROOT, 'packages/cli/dist');
export const CLI_MAIN = join(CLI_DIST, 'main.js');

const SHARED = [
  'packages/core/src',
  'packages/contract/src',
  'packages/report/src',
  'packages/report/fonts',
  'package-lock.json',
];

/** Builds the web app when its sources changed since the last build. */
export const ensureWebBuild = () =>
  ensureBuild('Building the web app', WEB_DIST, [...SHARED, ...WEB_SOURCES], () =>
    run('npx', ['vite', 'build', '--logLevel', 'warn'], { cwd: join(ROOT, 'packages/web') }),
  );

const WEB_SOURCES = [
  'packages/web/src',
  'packages/web/public',
  'packages/web/index.html',
  'packages/web/meter.html',
  'packages/web/vite.config.ts',
];

/** Builds the server when its sources changed since the last build. */
export const ensureServerBuild = () =>
  ensureBuild('Building the server', SERVER_DIST, [...SHARED, 'packages/server/src'], () =>
    Promise.all(
      Object.entries(SERVER_SCRIPTS).map(([name, source]) =>
        bundle(`packages/server/src/${source}`, join(SERVER_DIST, name)),
      ),
    ),
  );

/** Builds the instruments when their sources changed since the last build. */
export const ensureMeterBuild = () =>
  ensureBuild(undefined, METER_DIST, ['packages/core/src', 'packages/meter/src', 'package-lock.json'], () =>
    bundle('packages/meter/src/main.ts', METER_MAIN),
  );

/** Builds the command line when its sources changed since the last build; says nothing, since its output is read by programs. */
export const ensureCliBuild = () =>
  ensureBuild(
    undefined,
    CLI_DIST,
    ['packages/core/src', 'packages/report/src', 'packages/cli/src', 'package-lock.json'],
    () => bundle('packages/cli/src/main.ts', CLI_MAIN),
  );

/** One file of plain JavaScript for Node: our own packages are built in, everything from the registry stays a package. */
async function bundle(entry, outfile) {
  // Not there before the packages are installed, and this file is read earlier.
  const { build } = await import('esbuild');
  // Made beside its place and put there whole: several may start at once.
  const made = `${outfile}.${process.pid}`;
  await build({
    entryPoints: [join(ROOT, entry)],
    outfile: made,
    bundle: true,
    platform: 'node',
    target: 'node20',
    format: 'esm',
    sourcemap: 'inline',
    logLevel: 'warning',
    plugins: [{ name: 'registry-packages-stay', setup: keepPackages }],
  });
  renameSync(made, outfile);
}

function keepPackages({ onResolve }) {
  onResolve({ filter: /^[^./]/ }, ({ path, kind }) =>
    kind === 'entry-point' || path.startsWith('@zetalysis/') ? undefined : { path, external: true },
  );
}

async function ensureBuild(title, dist, sources, work) {
  const digest = digestOf(sources);
  const mark = join(dist, '.sources');
  if (existsSync(mark) && readFileSync(mark, 'utf8') === digest) return;
  await (title === undefined ? work() : step(title, work));
  writeFileSync(mark, digest);
}

function digestOf(sources) {
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
  for (const source of sources) add(join(ROOT, source));
  return hash.digest('hex');
}
