import type { Engine } from '@zetalysis/core/diagnosis';
import {
  drawExercise,
  engineFor,
  exerciseCode,
  type ExerciseMark,
  layOut,
  LEVELS,
  markOf,
  plan,
  play,
  type Player,
  PLAYERS,
  profileFor,
} from '@zetalysis/core/practice';
import { parseArgs } from 'node:util';
import { profileIds, profileSource } from './files';
import type { Command } from './main';
import { UsageError } from './usage';

/** An exercise, and what it was worth to each player. */
interface Row {
  readonly code: string;
  readonly profile: string;
  readonly kind: string;
  readonly hidden: string;
  readonly planned: number;
  readonly marks: Readonly<Record<Player, ExerciseMark>>;
}

/** Draws exercises, lets three scripted players play each, and prints their marks: whether the marks are fair. */
export const practice: Command = (args) => {
  const { values, positionals } = parseArgs({
    args,
    allowPositionals: true,
    options: {
      count: { type: 'string', default: '20' },
      seed: { type: 'string', default: '1' },
      level: { type: 'string' },
      json: { type: 'boolean', default: false },
    },
  });
  if (positionals.length > 0) throw new UsageError('practice takes options only: --count, --seed, --level, --json');
  const count = whole('count', values.count, 1, 2000);
  const seed = whole('seed', values.seed, 0, 1_000_000_000);
  const level = values.level === undefined ? undefined : whole('level', values.level, 0, LEVELS.length - 1);
  const engines = new Map<string, Engine>();
  const rows = Array.from({ length: count }, (_, i) => row(level ?? i % LEVELS.length, seed * 10_007 + i, engines));
  if (values.json) return { text: JSON.stringify(rows, null, 2), exit: 0 };
  return { text: `${rows.map(line).join('\n')}\n\n${PLAYERS.map((p) => summary(p, rows)).join('\n')}`, exit: 0 };
};

function row(level: number, seed: number, engines: Map<string, Engine>): Row {
  const profile = profileFor(level, seed, profileIds());
  const source = profileSource(profile).text;
  // On the first levels every machine of a family is built alike.
  const key = level < 3 ? profile : `${profile} ${level} ${seed}`;
  const engine = engines.get(key) ?? engineFor({ level, seed, profile }, source);
  if (level < 3) engines.set(key, engine);
  const exercise = drawExercise(engine, { level, seed, profile });
  const laid = layOut(exercise, source, engine);
  const planned = plan(laid);
  const mark = (player: Player): ExerciseMark =>
    markOf(laid, player === 'planner' ? planned.moves : play(laid, player), planned);
  return {
    code: exerciseCode(exercise),
    profile,
    kind: exercise.kind,
    hidden: laid.exercise.truth?.id ?? 'nothing',
    planned: planned.minutes,
    marks: { planner: mark('planner'), walker: mark('walker'), guesser: mark('guesser') },
  };
}

function whole(name: string, given: string, least: number, most: number): number {
  const value = Number(given);
  if (!Number.isInteger(value) || value < least || value > most)
    throw new UsageError(`--${name} takes a whole number from ${least} to ${most}; "${given}" is none`);
  return value;
}

const line = ({ code, kind, hidden, planned, marks }: Row): string =>
  `${code.padEnd(44)} ${kind.padEnd(9)} ${hidden.padEnd(30)} ${planned.toFixed(0).padStart(4)} min  ${PLAYERS.map(
    (p) => `${p} ${marks[p].total}${marks[p].total < marks[p].uncapped ? ` (${marks[p].uncapped})` : ''}`,
  ).join('  ')}`;

/** The middle of what a player got, capped and not, over all exercises and over those that the planner proved. */
function summary(player: Player, rows: readonly Row[]): string {
  const proved = rows.filter(({ marks }) => marks.planner.proved);
  const mean = (of: readonly Row[], value: (mark: ExerciseMark) => number): string =>
    of.length === 0 ? '–' : (of.reduce((sum, r) => sum + value(r.marks[player]), 0) / of.length).toFixed(1);
  const own = rows.filter(({ marks }) => marks[player].proved);
  // Where nothing is to be found, or it is not theirs, nobody is slower or dearer than another.
  const broken = proved.filter(({ kind }) => kind !== 'nothing' && kind !== 'refer');
  return `${player.padEnd(8)} mean ${mean(rows, (m) => m.total)}, uncapped ${mean(rows, (m) => m.uncapped)}; where the planner proved it (${proved.length}) ${mean(proved, (m) => m.total)}, lowest ${Math.min(...proved.map((r) => r.marks[player].total))}, where something was broken there (${broken.length}) ${mean(broken, (m) => m.total)}; proved ${own.length} of ${rows.length}`;
}
