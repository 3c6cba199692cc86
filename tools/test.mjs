// `npm test`: everything that has to be true, counted honestly.
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureMariaDb, startMariaDb } from './mariadb.mjs';
import { ensureDebian, ensureNodePackages, ROOT } from './packages.mjs';
import { runMain } from './say.mjs';

const RESULTS = join(ROOT, 'test-results');
const total = { passed: 0, failed: 0, skipped: 0 };

/** Runs one runner to its end with its output shown; resolves to its exit code. */
function show(command, args, env = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: ROOT, stdio: 'inherit', env: { ...process.env, ...env } });
    child.on('error', () => resolve(127));
    child.on('close', (code) => resolve(code ?? 1));
  });
}

/** A check without tests of its own counts as one. Shown when it has ended, since others run beside it. */
async function check(title, command, args) {
  const { code, output } = await hear(command, args);
  console.log(`\n— ${title}\n${output.trimEnd()}`);
  total[code === 0 ? 'passed' : 'failed']++;
  if (code !== 0) console.log(`FAILED: ${title}`);
}

/** Runs a command to its end; what it says is given with its exit code. */
function hear(command, args) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: ROOT, stdio: ['ignore', 'pipe', 'pipe'] });
    let output = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (output += chunk));
    child.on('error', (error) => resolve({ code: 127, output: String(error) }));
    child.on('close', (code) => resolve({ code: code ?? 1, output }));
  });
}

function readJson(file) {
  return existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : undefined;
}

runMain(async () => {
  await ensureNodePackages();
  await ensureMariaDb();
  await ensureDebian('chromium', ['chromium', 'fonts-liberation'], ['/usr/bin/chromium']);
  rmSync(RESULTS, { recursive: true, force: true });
  mkdirSync(RESULTS, { recursive: true });

  await Promise.all([
    check('Lint', 'npx', ['eslint', '.', '--max-warnings', '0']),
    (async () => {
      await check('Type check', 'npx', ['tsc', '-p', 'tsconfig.json', '--noEmit']);
      await check('Format', 'npx', ['prettier', '--check', '.', '--log-level', 'warn']);
      await check('Import rules', 'npx', [
        'depcruise',
        '--config',
        '.dependency-cruiser.cjs',
        'packages',
        '--output-type',
        'err',
      ]);
      await check('Unused code', 'npx', ['knip']);
    })(),
  ]);

  console.log('\n— Unit and API tests (Jest)');
  const folder = mkdtempSync(join(tmpdir(), 'zetalysis-test-'));
  const database = await startMariaDb(folder, { durable: false });
  const jestFile = join(RESULTS, 'jest.json');
  const jestCode = await show('npx', ['jest', '--json', `--outputFile=${jestFile}`], {
    TEST_DATABASE_URL: database.url,
    TEST_OWNER_DATABASE_URL: database.ownerUrl,
    TEST_FURNISHED: join(folder, 'furnished'),
  });
  await database.stop();
  rmSync(folder, { recursive: true, force: true });
  const jest = readJson(jestFile);
  if (jest) {
    total.passed += jest.numPassedTests;
    total.failed += jest.numFailedTests + jest.numRuntimeErrorTestSuites;
    total.skipped += jest.numPendingTests + jest.numTodoTests;
  }
  if (jestCode !== 0 && (!jest || jest.numFailedTests + jest.numRuntimeErrorTestSuites === 0)) total.failed++;

  console.log('\n— Interface tests (Chromium)');
  const e2eCode = await show('npx', ['playwright', 'test']);
  const e2e = readJson(join(RESULTS, 'e2e.json'))?.stats;
  if (e2e) {
    total.passed += e2e.expected;
    // A test that only passed when tried again did not pass.
    total.failed += e2e.unexpected + e2e.flaky;
    total.skipped += e2e.skipped;
  }
  if (e2eCode !== 0 && (!e2e || e2e.unexpected + e2e.flaky === 0)) total.failed++;

  console.log(`\n${total.passed} passed, ${total.failed} failed, ${total.skipped} skipped`);
  process.exit(total.failed === 0 ? 0 : 1);
});
