// `npm run demo`: everything on one machine, with demo data. `npm run dev`: the same with the web app served as it is edited.
import { randomBytes } from 'node:crypto';
import { spawn } from 'node:child_process';
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureServerBuild, ensureWebBuild, WEB_DIST } from './build.mjs';
import { startMeter } from './meter.mjs';
import { ensureMariaDb, startMariaDb } from './mariadb.mjs';
import { DATA, dataDirectory, ensureNodePackages, ROOT } from './packages.mjs';
import { freePort, stop } from './process.mjs';
import { Advice, runMain, step } from './say.mjs';
import { startServer } from './server.mjs';

const WANTED_PORT = 4180;
const WANTED_METER_PORT = 4190;
/** A year of the invented shop's work. */
const SEASON = join(ROOT, 'packages/season/season.jsonl.gz');
const flags = process.argv.slice(2);
const unknown = flags.find((f) => !['--fresh', '--dev'].includes(f));
if (unknown) {
  console.error(`unknown option ${unknown}; known: --fresh (start over with new demo data)`);
  process.exit(1);
}
const dev = flags.includes('--dev');

runMain(async () => {
  console.log('Zetalysis');
  await ensureNodePackages();
  await ensureMariaDb();
  const home = join(DATA, 'demo');
  if (flags.includes('--fresh')) {
    if (running(home))
      throw new Advice('The demo is still running. Stop it with Ctrl-C in its window, then start over.');
    rmSync(home, { recursive: true, force: true });
  }
  dataDirectory('demo');
  if (running(home))
    throw new Advice('The demo is already running. Use it, or stop it with Ctrl-C in its window first.');
  if (!dev) {
    await ensureWebBuild();
    await ensureServerBuild();
  }

  const parts = [];
  let stopping = false;
  const stopAll = async (code) => {
    if (stopping) return;
    stopping = true;
    for (const part of parts.reverse()) await part.stop();
    rmSync(join(home, 'pid'), { force: true });
    process.exit(code);
  };
  process.on('SIGINT', () => {
    console.log('\n  Stopping …');
    void stopAll(0);
  });
  process.on('SIGTERM', () => void stopAll(0));
  writeFileSync(join(home, 'pid'), String(process.pid));

  try {
    const database = await step('Starting MariaDB', () => startMariaDb(home));
    parts.push(database);
    const port = await freePort(WANTED_PORT);
    const server = await step('Starting the server', (say) =>
      startServer(
        {
          DATABASE_URL: database.url,
          OWNER_DATABASE_URL: database.ownerUrl,
          PORT: String(port),
          SESSION_SECRET: secret(home),
          WEB_DIR: dev ? '' : WEB_DIST,
          LOG_FILE: join(home, 'server.log'),
        },
        { demo: true, season: SEASON, source: dev, say },
      ),
    );
    parts.push(server);
    server.child.once('exit', () => {
      if (!stopping) {
        console.error(`  The server ended; see ${join(home, 'server.log')}`);
        void stopAll(1);
      }
    });
    let address = `http://127.0.0.1:${port}`;
    if (dev) {
      const webPort = await freePort(5173);
      const vite = spawn(
        join(ROOT, 'node_modules/.bin/vite'),
        ['--host', '127.0.0.1', '--port', String(webPort), '--strictPort'],
        {
          cwd: join(ROOT, 'packages/web'),
          env: { ...process.env, API: address },
          stdio: ['ignore', 'inherit', 'inherit'],
        },
      );
      parts.push({ stop: () => stop(vite) });
      address = `http://127.0.0.1:${webPort}`;
    }
    const meter = await step('Laying out the instruments', async () =>
      startMeter(['--port', String(await freePort(WANTED_METER_PORT))]),
    );
    parts.push(meter);
    console.log(
      [
        '',
        `  Open     ${address}`,
        '  Sign in  imre / cold-morning   (also rosa, bea, office)',
        `  Meter    ${meter.address}   pairing code ${meter.code}`,
        '  Stop     Ctrl-C',
        '',
      ].join('\n'),
    );
  } catch (error) {
    console.error(error.message);
    await stopAll(1);
  }
});

/** Whether another start command owns this data directory. */
function running(home) {
  const file = join(home, 'pid');
  if (!existsSync(file)) return false;
  try {
    process.kill(Number(readFileSync(file, 'utf8')), 0);
    return true;
  } catch {
    return false;
  }
}

function secret(home) {
  const file = join(home, 'session-secret');
  if (!existsSync(file)) writeFileSync(file, randomBytes(32).toString('base64url'), { mode: 0o600 });
  return readFileSync(file, 'utf8');
}
