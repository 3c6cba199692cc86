import { spawn } from 'node:child_process';
import { availableParallelism } from 'node:os';
import type { Score, ScoreSize } from './figures';

/** The command line that is running. */
const CLI = process.argv[1]!;

/** Scores several families at once, one process for each core; the figures are the same as one after the other. */
export async function sideBySide(ids: readonly string[], size: ScoreSize): Promise<Score[]> {
  const scores = new Map<string, Score>();
  const waiting = [...ids];
  const work = async (): Promise<void> => {
    for (let id = waiting.shift(); id !== undefined; id = waiting.shift()) scores.set(id, await scoreOf(id, size));
  };
  await Promise.all(Array.from({ length: availableParallelism() }, work));
  return ids.map((id) => scores.get(id)!);
}

function scoreOf(id: string, size: ScoreSize): Promise<Score> {
  const options = Object.entries(size).flatMap(([name, value]) => [`--${name}`, String(value)]);
  const child = spawn(process.execPath, [CLI, 'score', id, ...options, '--json'], {
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  let out = '';
  child.stdout.on('data', (chunk: Buffer) => (out += chunk.toString()));
  return new Promise((resolve, reject) => {
    child.on('error', reject);
    child.on('close', (code) => {
      if (code !== 0) return reject(new Error(`scoring ${id} ended with ${code}`));
      resolve((JSON.parse(out) as { scores: Score[] }).scores[0]!);
    });
  });
}
