// `npm run compare -- REV [--score | --full]`: what the engine says before and after a change that must not change it. Plays
// every case, writes every coverage report, run and deck, in a checkout of REV and in this one, by the command line; prints
// where they differ. `--score` also scores every family, each fault once; `--full` as the published figures. Exit 1 when they
// differ.
import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { spawn, spawnSync } from 'node:child_process';
import { availableParallelism, tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { dataDirectory, ROOT } from './packages.mjs';
import { Advice, runMain, step } from './say.mjs';

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: { score: { type: 'boolean', default: false }, full: { type: 'boolean', default: false } },
});
const SIZE = values.full
  ? ['--per', '2', '--pairs', '48', '--problems', '12']
  : ['--per', '1', '--pairs', '4', '--problems', '2'];
const SCORED = values.score || values.full;
/** How many differences of one output are printed. */
const SHOWN = 12;

const git = (...args) => {
  const { status, stdout, stderr } = spawnSync('git', args, { cwd: ROOT, encoding: 'utf8' });
  if (status !== 0) throw new Advice(stderr.trim());
  return stdout.trim();
};

/** Every command line whose output is compared. */
function commandsFor(root) {
  const names = (folder) =>
    readdirSync(join(root, folder))
      .filter((f) => f.endsWith('.yaml'))
      .sort();
  const families = names('profiles').map((f) => f.replace(/\.yaml$/, ''));
  return [
    ...(SCORED ? families.map((id) => ['score', id, ...SIZE, '--json']) : []),
    ...families.map((id) => ['profiles', '--coverage', id, '--json']),
    ...names('cases').map((file) => ['diagnose', `cases/${file}`, '--json']),
    ...families.flatMap((id) => [
      ['simulate', id, '--json'],
      ['netlist', id],
    ]),
  ];
}

function output(root, args) {
  return new Promise((resolve) => {
    const child = spawn(process.execPath, [join(root, 'packages/cli/bin/zetalysis.mjs'), ...args], { cwd: root });
    let text = '';
    child.stdout.on('data', (chunk) => (text += chunk));
    child.stderr.on('data', (chunk) => (text += chunk));
    child.on('close', (code) => resolve({ code, text }));
  });
}

async function collect(root) {
  const results = {};
  const waiting = commandsFor(root);
  const work = async () => {
    for (let args = waiting.shift(); args; args = waiting.shift()) results[args.join(' ')] = await output(root, args);
  };
  await Promise.all(Array.from({ length: availableParallelism() }, work));
  return results;
}

/** The outputs of a revision: worked out once in a checkout of its own, which shares the packages installed here. */
async function collectAt(revision) {
  const sha = git('rev-parse', revision);
  const kept = join(dataDirectory('compare'), `${sha}${values.full ? '-full' : SCORED ? '-score' : ''}.json`);
  if (existsSync(kept)) return JSON.parse(readFileSync(kept, 'utf8'));
  const folder = mkdtempSync(join(tmpdir(), 'zetalysis-compare-'));
  try {
    git('worktree', 'add', '--detach', '--force', folder, sha);
    const modules = join(folder, 'node_modules');
    mkdirSync(join(modules, '@zetalysis'), { recursive: true });
    for (const name of readdirSync(join(ROOT, 'node_modules')))
      if (name !== '@zetalysis') symlinkSync(join(ROOT, 'node_modules', name), join(modules, name));
    for (const name of readdirSync(join(folder, 'packages')))
      symlinkSync(join(folder, 'packages', name), join(modules, '@zetalysis', name));
    const results = await collect(folder);
    writeFileSync(kept, JSON.stringify(results));
    return results;
  } finally {
    git('worktree', 'remove', '--force', folder);
    rmSync(folder, { recursive: true, force: true });
  }
}

const parsed = (text) => {
  try {
    return JSON.parse(text);
  } catch {
    return text.split('\n');
  }
};

/** Places at which two values differ, with both. */
function differences(before, after, place, found) {
  if (before !== null && after !== null && typeof before === 'object' && typeof after === 'object') {
    for (const key of new Set([...Object.keys(before), ...Object.keys(after)]))
      differences(before[key], after[key], place === '' ? key : `${place}.${key}`, found);
  } else if (before !== after) found.push(`${place}: ${JSON.stringify(before)} → ${JSON.stringify(after)}`);
}

runMain(async () => {
  const [revision] = positionals;
  if (revision === undefined || positionals.length > 1)
    throw new Advice('Name the revision to compare with: npm run compare -- HEAD~1 [--score | --full]');
  const before = await step(`Playing everything at ${revision}`, () => collectAt(revision));
  const after = await step('Playing everything here', () => collect(ROOT));
  let differing = 0;
  for (const command of new Set([...Object.keys(before), ...Object.keys(after)])) {
    const [was, is] = [before[command], after[command]];
    if (was && is && was.code === is.code && was.text === is.text) continue;
    differing++;
    console.log(`\n${command}`);
    if (!was || !is) console.log(`  ${was ? 'gone' : 'new'}`);
    else {
      const found = [];
      if (was.code !== is.code) found.push(`exit ${was.code} → ${is.code}`);
      differences(parsed(was.text), parsed(is.text), '', found);
      for (const line of found.slice(0, SHOWN)) console.log(`  ${line}`);
      if (found.length > SHOWN) console.log(`  and ${found.length - SHOWN} more`);
    }
  }
  console.log(`\n${Object.keys(after).length} outputs, ${differing} of them differ`);
  process.exitCode = differing === 0 ? 0 : 1;
});
