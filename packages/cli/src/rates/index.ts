import { sum } from '@zetalysis/core/book';
import { parseArgs } from 'node:util';
import { profileIds, profileSource } from '../files';
import type { Command } from '../main';
import { sideBySide } from '../side-by-side';
import { UsageError } from '../usage';
import { playTrials, type Trial } from './trial';

const HELD_OUT = 200;

/** What it is worth to learn rates from a season: a trial with true rates that nobody knows. */
export const rates: Command = async (args) => {
  const { values, positionals } = parseArgs({
    args,
    allowPositionals: true,
    options: {
      trial: { type: 'boolean', default: false },
      seeds: { type: 'string', default: '5' },
      seed: { type: 'string', default: '1' },
      breaks: { type: 'string', default: '120' },
      visits: { type: 'string', default: '24' },
      json: { type: 'boolean', default: false },
    },
  });
  if (!values.trial)
    throw new UsageError('rates takes --trial; what a shop has learned is published on its page Patterns');
  const whole = (name: 'seeds' | 'seed' | 'breaks' | 'visits', most: number): number => {
    const value = Number(values[name]);
    if (!Number.isInteger(value) || value < 1 || value > most)
      throw new UsageError(`--${name} takes a whole number from 1 to ${most}, not "${values[name]}"`);
    return value;
  };
  const size = { breaks: whole('breaks', 10_000), visits: whole('visits', HELD_OUT), heldOut: HELD_OUT };
  const [seeds, from] = [whole('seeds', 50), whole('seed', 1_000_000)];
  for (const id of positionals) profileSource(id);
  const wanted = positionals.length > 0 ? positionals : profileIds();
  const play = (id: string): Trial[] =>
    playTrials(
      id,
      Array.from({ length: seeds }, (_, i) => ({ ...size, seed: from + i })),
    );
  const options = [
    '--trial',
    ...(['seeds', 'seed', 'breaks', 'visits'] as const).flatMap((n) => [`--${n}`, values[n]]),
  ];
  const trials = wanted.length > 1 ? await sideBySide<Trial[]>('rates', wanted, options) : wanted.map(play);
  if (values.json) return { text: JSON.stringify({ scores: trials }, null, 2), exit: 0 };
  return { text: table(trials.flat()), exit: 0 };
};

const percent = (x: number): string => `${(x * 100).toFixed(1)} %`;

function table(trials: readonly Trial[]): string {
  const seeds = [...new Set(trials.map((t) => t.seed))];
  const lines = [
    'Seasons whose true rates lie off the assumed ones; a fifth of the calls only suspected.',
    '',
    'seed   intervals hold the truth   widest with ten cases   surprise: learned  assumed  raw counts   first at once: learned  assumed   at the end: learned  assumed   minutes: learned / assumed',
    ...seeds.map((seed) =>
      row(
        String(seed),
        trials.filter((t) => t.seed === seed),
      ),
    ),
    row('all', trials),
    '',
    ...[...new Set(trials.map((t) => t.profile))].map((id) =>
      row(
        id,
        trials.filter((t) => t.profile === id),
      ),
    ),
  ];
  return lines.join('\n');
}

function row(title: string, trials: readonly Trial[]): string {
  const total = (of: (t: Trial) => number): number => sum(trials.map(of));
  const visits = total((t) => t.visits);
  const mean = (of: (t: Trial) => number): string => (total(of) / trials.length).toFixed(3);
  const share = (of: (t: Trial) => number): string => percent(total(of) / visits);
  return [
    title.padEnd(6),
    `${percent(total((t) => t.covered) / total((t) => t.ways))} of ${total((t) => t.ways)}`,
    `${Math.max(...trials.map((t) => t.widest)).toFixed(2)} (${total((t) => t.many)})`,
    `${mean((t) => t.loss.learned)}  ${mean((t) => t.loss.assumed)}  ${mean((t) => t.loss.raw)}`,
    `${share((t) => t.first.learned)}  ${share((t) => t.first.assumed)}`,
    `${share((t) => t.end.learned)}  ${share((t) => t.end.assumed)}`,
    (total((t) => t.minutes.learned) / total((t) => t.minutes.assumed)).toFixed(3),
  ].join('   ');
}
