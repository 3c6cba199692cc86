// `npm run bench`: figures of speed and size, printed whatever they are. Ratios are measured within one run.
import { gzipSync } from 'node:zlib';
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Simulation } from 'eecircuit-engine';
import { readMeterLog } from '@zetalysis/core/analysis';
import { COMPONENT_TESTS, judgeMeasure } from '@zetalysis/core/bench';
import { layoutOf, solve, toSpice } from '@zetalysis/core/circuit';
import { Engine } from '@zetalysis/core/diagnosis';
import { loadProfile } from '@zetalysis/core/profile';
import { benchInChromium } from './bench-chromium';
import { buildEngine, measureInNode, profileOf } from './bench-build';
import { fillFaultTable, NORMAL, timed, type EngineFigures } from './bench-engine';
import { benchServer } from './bench-server';
import { line, ms, printEngine } from './bench-print';
import { ROOT } from './packages.mjs';

const LARGEST = 'furnace-condensing';
const FAMILIES = [
  LARGEST,
  ...readdirSync(join(ROOT, 'profiles'))
    .map((file) => file.replace(/\.yaml$/, ''))
    .filter((id) => id !== LARGEST),
];
const folder = mkdtempSync(join(tmpdir(), 'zetalysis-bench-'));
process.on('exit', () => rmSync(folder, { recursive: true, force: true }));
const script = await buildEngine(folder);
const rows: EngineFigures[] = [];
for (const id of FAMILIES) {
  const figures = await measureInNode(script, id);
  console.log(`\n${id}`);
  printEngine(figures);
  line('heap in use', `${(figures.heap / 1e6).toFixed(0)} MB`);
  rows.push(figures);
}

console.log('\ngrowth with parts and faults (warm, ms)');
console.log('  family                       parts  faults  table  per fault  reading  next  action  pairs');
for (const r of [...rows].sort((x, y) => x.faults - y.faults))
  console.log(
    `  ${r.id.padEnd(28)} ${String(r.parts).padStart(5)} ${String(r.faults).padStart(7)} ${r.warm.toFixed(0).padStart(6)} ${(r.warm / r.faults).toFixed(2).padStart(10)} ${r.reading.toFixed(1).padStart(8)} ${r.next.toFixed(0).padStart(5)} ${r.action.toFixed(0).padStart(7)} ${r.pairs.toFixed(0).padStart(6)}`,
  );

console.log('\nbench');
const judging = COMPONENT_TESTS.flatMap((t) => t.measures);
const JUDGED = 200;
for (const m of judging) judgeMeasure(m, {});
const typed = { iso: 'yes', ohms: '13.4', Lz: '0.2', T: '2 C', book: '15' };
const coil = COMPONENT_TESTS.find((t) => t.id === 'coil-24v')!.measures[0]!;
line('a coil judged', ms(timed(() => Array.from({ length: JUDGED }, () => judgeMeasure(coil, typed))) / JUDGED));
line(`all ${judging.length} measures, nothing answered`, ms(timed(() => judging.forEach((m) => judgeMeasure(m, {})))));
const ROWS = 200_000;
const written = ['time [s];R-C [V];GV-C [V]'];
for (let i = 0; i < ROWS; i++) written.push(`${i / 10};25,${i % 10};0,0${i % 10}`.replace('.', ','));
line(
  `log of a meter, ${ROWS.toLocaleString('en-US')} rows, two channels`,
  ms(timed(() => readMeterLog(written.join('\n')))),
);

console.log('\ncircuit solver beside ngspice (WebAssembly), furnace, per operating point, in this run');
const engine = new Engine(loadProfile(readFileSync(profileOf(LARGEST), 'utf8'), LARGEST));
fillFaultTable(engine);
const circuits = engine.hypotheses
  .filter((h) => h.kind === 'fault')
  .slice(0, 40)
  .map((h) => engine.traces.last(h.faults, NORMAL.episodes).trace.circuits.at(-1)!.circuit.circuit);
// As the engine does it: one layout for all states of an appliance.
const layout = layoutOf(
  circuits[0]!.nodeCount,
  circuits.flatMap((c) =>
    c.elements.map((e) => (e.type === 'transformer' ? [...e.primary, ...e.secondary] : [e.a, e.b])),
  ),
);
const REPEATS = 50;
const ours =
  timed(() => {
    for (let i = 0; i < REPEATS; i++) for (const c of circuits) solve(c, layout);
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
  const sums = { 'scripts and styles': 0, 'the engine beside the page': 0, fonts: 0 };
  for (const file of files) {
    const bytes = readFileSync(join(dist, file));
    const size = file.endsWith('.woff2') ? bytes.length : gzipSync(bytes).length;
    sums[
      file.endsWith('.woff2') ? 'fonts' : file.includes('worker-') ? 'the engine beside the page' : 'scripts and styles'
    ] += size;
    line(file.replace('assets/', ''), `${(size / 1024).toFixed(1)} kB`);
  }
  for (const [what, sum] of Object.entries(sums))
    line(what, `${(sum / 1024).toFixed(0)} kB${what === 'scripts and styles' ? ' (aim: at most 400 kB)' : ''}`);
}
await benchInChromium(script, LARGEST);
await benchServer(60, 100);
process.exit(0);
