// `npm run bench`: figures of speed and size, printed whatever they are. Ratios are measured within one run.
import { gzipSync } from 'node:zlib';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Simulation } from 'eecircuit-engine';
import { layoutOf, solve, toSpice } from '@zetalysis/core/circuit';
import { Engine, fitEvidence, predicts, seedPairs, type Evidence, type Observation } from '@zetalysis/core/diagnosis';
import { benchInChromium } from './bench-chromium';
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

const NORMAL: Evidence = { episodes: [{ setup: NORMAL_SETUP, repaired: [] }], items: [] };

function fillFaultTable(engine: Engine): void {
  for (const h of engine.hypotheses) if (predicts(h)) engine.traces.last(h.faults, NORMAL.episodes);
}

/** Three items that leave many suspects: the trial does not come, a reading, and how it ends. */
function someEvidence(engine: Engine): Evidence {
  const { model } = engine;
  const phase = model.phases.findIndex((p) => p.trial);
  const point = model.points.find((p) => !p.line) ?? model.points[0]!;
  const observations: Observation[] = [
    { kind: 'seen', phase, answer: false },
    { kind: 'outcome', outcome: 'stuck' },
    {
      kind: 'volts',
      red: point.net,
      black: point.black,
      phase: Math.max(
        0,
        model.phases.findIndex((p) => p.probe),
      ),
      input: 'high-impedance',
      reading: { kind: 'value', value: model.ratedVolts[point.net]!, dimension: 'voltage' },
    },
  ];
  return { ...NORMAL, items: observations.map((observation, i) => ({ id: `${i}`, episode: 0, observation })) };
}

/** Something done to an appliance: its first plug pulled, or its first action. */
const change = ({ plugs, actions }: Engine['model']): { unplugged?: string[]; actions?: string[] } =>
  plugs[0] ? { unplugged: [plugs[0].id] } : { actions: [actions[0]!.id] };

interface Row {
  readonly id: string;
  readonly parts: number;
  readonly faults: number;
  readonly cold: number;
  readonly warm: number;
  readonly reading: number;
  readonly next: number;
  readonly action: number;
  readonly pairs: number;
}

/** The largest family comes first, in a fresh process: its fault table is the cold one. */
const LARGEST = 'furnace-condensing';
const FAMILIES = [
  LARGEST,
  ...readdirSync(join(ROOT, 'profiles'))
    .map((file) => file.replace(/\.yaml$/, ''))
    .filter((id) => id !== LARGEST),
];
const rows: Row[] = [];
for (const id of FAMILIES) {
  const source = readFileSync(join(ROOT, 'profiles', `${id}.yaml`), 'utf8');
  console.log(`\n${id}`);
  line('profile read and compiled', ms(timed(() => loadProfile(source, id))));
  const engine = new Engine(loadProfile(source, id));
  const cold = timed(() => fillFaultTable(engine));
  line('fault table, first in this process', ms(cold));
  const warm = median(
    Array.from({ length: 7 }, () => {
      const again = new Engine(engine.model);
      return timed(() => fillFaultTable(again));
    }),
  );
  line(`fault table, warm (${engine.hypotheses.length} hypotheses, ${engine.circuits.solves} circuits)`, ms(warm));

  const before = someEvidence(engine);
  const situation = (evidence: Evidence) => ({ evidence, declined: new Set<string>(), role: 'technician' as const });
  engine.next(situation(before), engine.assess(before, { pairs: false }));
  const after: Evidence = { ...before, items: [...before.items, { ...before.items[2]!, id: 'again' }] };
  const reading = median(Array.from({ length: 9 }, () => timed(() => engine.assess(after, { pairs: false }))));
  line('after a reading: suspects', ms(reading));
  const next = median(
    Array.from({ length: 5 }, () => timed(() => engine.next(situation(after), engine.assess(after, { pairs: false })))),
  );
  line('after a reading: suspects and next test', ms(next));
  const acted: Evidence = {
    episodes: [...after.episodes, { setup: { ...NORMAL_SETUP, ...change(engine.model) }, repaired: [] }],
    items: [...after.items, { id: 'c', episode: 1, observation: { kind: 'outcome', outcome: 'stuck' } }],
  };
  const action = timed(() => engine.assess(acted, { pairs: false }));
  line('after an action (new episode): suspects', ms(action));
  const replaceable = engine.hypotheses.find((h) => h.kind === 'fault' && h.repair.endsWith(':replace'))!;
  const repaired = replaceable.faults[0]!.part;
  const second: Evidence = {
    episodes: [...before.episodes, { setup: NORMAL_SETUP, repaired: [repaired] }],
    items: [...before.items, ...before.items.map((i) => ({ ...i, id: `${i.id}r`, episode: 1 }))],
  };
  engine.assess(second, { pairs: false });
  const pairs = timed(() => {
    const alone = engine.assess(second, { pairs: false });
    const found = seedPairs(engine.hypotheses, alone.items, second, engine.hypotheses.length);
    fitEvidence(engine.model, engine.traces, [...engine.hypotheses, ...found], second);
  });
  line('pairs of faults seeded and simulated', ms(pairs));
  const faults = engine.hypotheses.filter((h) => h.kind === 'fault').length;
  rows.push({ id, parts: engine.model.parts.length, faults, cold, warm, reading, next, action, pairs });
}

console.log('\ngrowth with parts and faults (warm, ms)');
console.log('  family                       parts  faults  table  per fault  reading  next  action  pairs');
for (const r of [...rows].sort((x, y) => x.faults - y.faults))
  console.log(
    `  ${r.id.padEnd(28)} ${String(r.parts).padStart(5)} ${String(r.faults).padStart(7)} ${r.warm.toFixed(0).padStart(6)} ${(r.warm / r.faults).toFixed(2).padStart(10)} ${r.reading.toFixed(1).padStart(8)} ${r.next.toFixed(0).padStart(5)} ${r.action.toFixed(0).padStart(7)} ${r.pairs.toFixed(0).padStart(6)}`,
  );
line('memory of this process, heap in use', `${(process.memoryUsage().heapUsed / 1e6).toFixed(0)} MB`);

console.log('\ncircuit solver beside ngspice (WebAssembly), furnace, per operating point, in this run');
const engine = new Engine(loadProfile(readFileSync(join(ROOT, 'profiles/furnace-condensing.yaml'), 'utf8'), 'furnace'));
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
  let sum = 0;
  for (const file of files) {
    const bytes = readFileSync(join(dist, file));
    const size = file.endsWith('.woff2') ? bytes.length : gzipSync(bytes).length;
    sum += size;
    line(file.replace('assets/', ''), `${(size / 1024).toFixed(1)} kB`);
  }
  line('total', `${(sum / 1024).toFixed(0)} kB (aim: at most 420 kB)`);
}
await benchInChromium();
process.exit(0);
