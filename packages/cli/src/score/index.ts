import { MISREPORTED, readWorld, wider } from '@zetalysis/core/practice';
import { parseArgs } from 'node:util';
import { profileIds, profileSource, readText } from '../files';
import type { Command, Done } from '../main';
import { UsageError } from '../usage';
import { sideBySide } from '../side-by-side';
import { scoreProfile, type Score } from './figures';
import { scoreInWorld, type WorldScore } from './world';
import { worldTable } from './world-table';

const percent = (x: number): string => `${(x * 100).toFixed(1)} %`;
const ratio = (x: number): string => x.toFixed(2);

/** One row of the table: a figure, its aim, and whether it is met. */
interface Row {
  readonly title: string;
  readonly value: (s: Score) => number;
  readonly words: (value: number) => string;
  readonly aim: number;
  readonly atLeast: boolean;
}

const ROWS: readonly Row[] = [
  { title: 'right repair named first', value: (s) => s.namedFirst, words: percent, aim: 0.93, atLeast: true },
  { title: 'the same at double error', value: (s) => s.doubleError, words: percent, aim: 0.88, atLeast: true },
  { title: 'proved wrong', value: (s) => s.provedWrong, words: percent, aim: 0.005, atLeast: false },
  { title: 'healthy part replaced', value: (s) => s.replacedHealthy, words: percent, aim: 0.04, atLeast: false },
  {
    title: 'minutes, share of the walk',
    value: (s) => s.minutes / s.walk.minutes,
    words: ratio,
    aim: 0.55,
    atLeast: false,
  },
  { title: 'tests, share of the walk', value: (s) => s.tests / s.walk.tests, words: ratio, aim: 0.6, atLeast: false },
  {
    title: 'against the optimum, mean',
    value: (s) => s.optimum.mean,
    words: (x) => x.toFixed(3),
    aim: 1.02,
    atLeast: false,
  },
  {
    title: 'against the optimum, worst',
    value: (s) => s.optimum.worst,
    words: (x) => x.toFixed(3),
    aim: 1.1,
    atLeast: false,
  },
  { title: 'pairs, both mended', value: (s) => s.pairs.mended, words: percent, aim: 0.88, atLeast: true },
  {
    title: 'withheld: unknown or unproved',
    value: (s) => s.withheld.openMinded,
    words: percent,
    aim: 0.95,
    atLeast: true,
  },
  { title: 'withheld: proved wrong', value: (s) => s.withheld.provedWrong, words: percent, aim: 0.01, atLeast: false },
  { title: 'calibration error', value: (s) => s.calibration, words: ratio, aim: 0.05, atLeast: false },
];

const meets = (row: Row, s: Score): boolean => (row.atLeast ? row.value(s) >= row.aim : row.value(s) <= row.aim + 1e-9);

/** How much is played when nothing else is said: thoroughly for one family, in a quarter of an hour for all. */
const ONE = { seed: 1, per: 2, pairs: 200, problems: 50, visits: 400 };
const ALL = { ...ONE, pairs: 48, problems: 12 };

/** Beside a world stands one with every band so much wider. */
const WIDER = 0.15;

export const score: Command = async (args) => {
  const { values, positionals } = parseArgs({
    args,
    allowPositionals: true,
    options: {
      all: { type: 'boolean', default: false },
      seed: { type: 'string' },
      per: { type: 'string' },
      pairs: { type: 'string' },
      problems: { type: 'string' },
      world: { type: 'string' },
      visits: { type: 'string' },
      json: { type: 'boolean', default: false },
    },
  });
  const usual = positionals.length > 0 ? ONE : ALL;
  const whole = (name: 'seed' | 'per' | 'pairs' | 'problems' | 'visits'): number => {
    const value = Number(values[name] ?? usual[name]);
    if (!Number.isInteger(value) || value < 1 || value > 1e6)
      throw new UsageError(`--${name} takes a whole number from 1 up, not "${values[name]}"`);
    return value;
  };
  for (const id of positionals) profileSource(id);
  if (values.all && positionals.length > 0) throw new UsageError('name profiles or say --all, not both');
  const wanted = positionals.length > 0 ? positionals : profileIds();
  if (values.world !== undefined) return inWorld(values.world, wanted, whole('visits'), whole('seed'), values.json);
  if (values.visits !== undefined) throw new UsageError('--visits goes with --world FILE');
  const size = { seed: whole('seed'), per: whole('per'), pairs: whole('pairs'), problems: whole('problems') };
  const scores =
    wanted.length > 1
      ? await sideBySide<Score>(
          'score',
          wanted,
          Object.entries(size).flatMap(([name, value]) => [`--${name}`, String(value)]),
        )
      : wanted.map((id) => scoreProfile(id, size));
  if (values.json) return { text: JSON.stringify({ misreported: MISREPORTED, ...size, scores }, null, 2), exit: 0 };
  return { text: table(scores, size.seed), exit: 0 };
};

/** Visits to appliances of a world, and of a wider one. */
async function inWorld(
  path: string,
  wanted: readonly string[],
  visits: number,
  seed: number,
  json: boolean,
): Promise<Done> {
  const world = readWorld(readText(path), path);
  const scores =
    wanted.length > 1
      ? await sideBySide<WorldScore[]>('score', wanted, [
          '--world',
          path,
          '--visits',
          String(visits),
          '--seed',
          String(seed),
        ])
      : wanted.map((id) => [world, wider(world, WIDER)].map((w) => scoreInWorld(id, w, visits, seed)));
  return { text: json ? JSON.stringify({ seed, scores }, null, 2) : worldTable(scores, seed), exit: 0 };
}

function table(scores: readonly Score[], seed: number): string {
  const lines = [
    `Appliances drawn from the profiles' spreads (log-normal), ${percent(MISREPORTED)} of cues misreported, meter within its class, seed ${seed}.`,
    'Shares are weighted by how likely each fault is. Minutes count from the end of the watched try. * misses its aim.',
  ];
  for (const s of scores) {
    lines.push(
      '',
      `${s.profile}: ${s.visits} visits, ${s.tests.toFixed(1)} tests and ${s.minutes.toFixed(1)} min each (walk ${s.walk.tests.toFixed(1)} and ${s.walk.minutes.toFixed(1)}, one who knows ${s.knowing.toFixed(1)} min), proved ${percent(s.proved)} (walk ${percent(s.walk.proved)})`,
    );
    for (const row of ROWS) {
      const aim = `${row.atLeast ? 'at least' : 'at most'} ${row.words(row.aim)}`;
      lines.push(
        `  ${row.title.padEnd(32)} ${row.words(row.value(s)).padStart(8)}${meets(row, s) ? ' ' : '*'}  ${aim}`,
      );
    }
    lines.push(`  ${'every fault counted alike'.padEnd(32)} ${percent(s.namedFirstPlain).padStart(8)}`);
    if (s.missed.length > 0) lines.push(`  missed: ${s.missed.join('; ')}`);
    if (s.alike.length > 0) lines.push(`  nothing tells apart: ${s.alike.join('; ')}`);
    if (s.silent.length > 0) lines.push(`  shows nothing: ${s.silent.join(', ')}`);
  }
  return lines.join('\n');
}
