// `npm run bench`: figures of speed and size, printed whatever they are. Ratios are measured within one run.
import { gzipSync } from 'node:zlib';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Simulation } from 'eecircuit-engine';
import { solve, toSpice } from '@zetalysis/core/circuit';
import { Engine, type Evidence, type Observation } from '@zetalysis/core/diagnosis';
import { loadProfile } from '@zetalysis/core/profile';
import { NORMAL_SETUP } from '@zetalysis/core/sequence';

const ROOT = join(import.meta.dirname, '..');

const median = (values: number[]): number => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

/** Milliseconds of one piece of work. */
function timed(work: () => void): number {
  const from = performance.now();
  work();
  return performance.now() - from;
}

const line = (title: string, value: string): void => console.log(`  ${title.padEnd(58)} ${value}`);
const ms = (value: number): string => `${value.toFixed(value < 10 ? 2 : 0)} ms`;

function fillFaultTable(engine: Engine): void {
  for (const h of engine.hypotheses)
    if (h.kind === 'fault' || h.kind === 'healthy') engine.traces.last(h, [{ setup: NORMAL_SETUP, repaired: [] }]);
}

for (const id of ['furnace-condensing', 'steam-intermittent-pilot']) {
  const source = readFileSync(join(ROOT, 'profiles', `${id}.yaml`), 'utf8');
  console.log(`\n${id}`);
  const load = timed(() => loadProfile(source, id));
  line('profile read and compiled, cold', ms(load));
  const engine = new Engine(loadProfile(source, id));
  line('fault table, cold (first in this process)', ms(timed(() => fillFaultTable(engine))));
  const warm = Array.from({ length: 5 }, () => {
    const again = new Engine(engine.model);
    return timed(() => fillFaultTable(again));
  });
  line(
    `fault table, warm (${engine.hypotheses.length} hypotheses, ${engine.circuits.solves} circuits)`,
    ms(median(warm)),
  );

  const phase = engine.model.phases.findIndex((p) => p.trial);
  const point = engine.model.points.find((p) => !p.line)!;
  const seen: Observation = { kind: 'seen', phase, answer: false };
  const reading: Observation = {
    kind: 'volts',
    red: point.net,
    black: point.black,
    phase,
    input: 'high-impedance',
    reading: { kind: 'value', value: 25.4, dimension: 'voltage' },
  };
  const before: Evidence = {
    episodes: [{ setup: NORMAL_SETUP, repaired: [] }],
    items: [{ id: 'a', episode: 0, observation: seen }],
  };
  engine.next({ evidence: before, declined: new Set(), role: 'technician' }, engine.assess(before));
  const after: Evidence = { ...before, items: [...before.items, { id: 'b', episode: 0, observation: reading }] };
  line('after a reading: suspects', ms(median(Array.from({ length: 9 }, () => timed(() => engine.assess(after))))));
  line(
    'after a reading: suspects and next test',
    ms(
      median(
        Array.from({ length: 5 }, () =>
          timed(() => engine.next({ evidence: after, declined: new Set(), role: 'technician' }, engine.assess(after))),
        ),
      ),
    ),
  );
  const plug = engine.model.plugs[0]!.id;
  const acted: Evidence = {
    ...after,
    episodes: [...after.episodes, { setup: { ...NORMAL_SETUP, unplugged: [plug] }, repaired: [] }],
  };
  const actedItems: Evidence = {
    ...acted,
    items: [...acted.items, { id: 'c', episode: 1, observation: { kind: 'outcome', outcome: 'locks-out' } }],
  };
  line('after an action (new episode): suspects', ms(timed(() => engine.assess(actedItems))));
}

console.log('\ncircuit solver beside ngspice (WebAssembly), furnace, per operating point, in this run');
const engine = new Engine(loadProfile(readFileSync(join(ROOT, 'profiles/furnace-condensing.yaml'), 'utf8'), 'furnace'));
fillFaultTable(engine);
const circuits = engine.hypotheses
  .filter((h) => h.kind === 'fault')
  .slice(0, 40)
  .map((h) => engine.traces.last(h, [{ setup: NORMAL_SETUP, repaired: [] }]).trace.circuits.at(-1)!.circuit.circuit);
const REPEATS = 50;
const ours =
  timed(() => {
    for (let i = 0; i < REPEATS; i++) for (const c of circuits) solve(c);
  }) /
  (REPEATS * circuits.length);
const spice = new Simulation();
await spice.start();
const decks = circuits.map((c) => toSpice(c, engine.model.nets, 'ac'));
const from = performance.now();
for (const deck of decks) {
  spice.setNetList(deck);
  await spice.runSim();
}
const theirs = (performance.now() - from) / decks.length;
line('ours', `${(ours * 1000).toFixed(1)} µs`);
line('ngspice', ms(theirs));
line('ratio', `${(theirs / ours).toFixed(0)} ×`);

console.log('\nfirst load of the call page, compressed (gzip), fonts as they are');
const dist = join(ROOT, 'packages/web/dist');
if (!existsSync(join(dist, '.vite/manifest.json'))) console.log('  not built: run `npm run demo` once');
else {
  type Manifest = Record<
    string,
    { file: string; imports?: string[]; css?: string[]; isEntry?: boolean; assets?: string[] }
  >;
  const manifest = JSON.parse(readFileSync(join(dist, '.vite/manifest.json'), 'utf8')) as Manifest;
  const files = new Set<string>();
  const visit = (key: string): void => {
    const entry = manifest[key]!;
    if (files.has(entry.file)) return;
    files.add(entry.file);
    entry.css?.forEach((f) => files.add(f));
    entry.assets?.forEach((f) => f.endsWith('.woff') || files.add(f));
    entry.imports?.forEach(visit);
  };
  visit(Object.keys(manifest).find((k) => manifest[k]!.isEntry)!);
  let sum = 0;
  for (const file of files) {
    const bytes = readFileSync(join(dist, file));
    const size = file.endsWith('.woff2') ? bytes.length : gzipSync(bytes).length;
    sum += size;
    line(file.replace('assets/', ''), `${(size / 1024).toFixed(1)} kB`);
  }
  line('total', `${(sum / 1024).toFixed(0)} kB (aim: at most 420 kB)`);
}
process.exit(0);
