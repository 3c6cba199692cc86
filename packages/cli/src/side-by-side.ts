import { spawn } from 'node:child_process';
import { availableParallelism } from 'node:os';

/** The command line that is running. */
const CLI = process.argv[1]!;

/**
 * Lets a command work on several families at once, one process for each core; the figures are the same as one after the other.
 * `options` are those of the command line; the command prints `{scores: […]}`.
 */
export async function sideBySide<Score>(
  command: string,
  ids: readonly string[],
  options: readonly string[],
): Promise<Score[]> {
  const scores = new Map<string, Score>();
  const waiting = [...ids];
  const work = async (): Promise<void> => {
    for (let id = waiting.shift(); id !== undefined; id = waiting.shift())
      scores.set(id, await scoreOf<Score>(command, id, options));
  };
  await Promise.all(Array.from({ length: availableParallelism() }, work));
  return ids.map((id) => scores.get(id)!);
}

function scoreOf<Score>(command: string, id: string, options: readonly string[]): Promise<Score> {
  const child = spawn(process.execPath, [CLI, command, id, ...options, '--json'], {
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  let out = '';
  child.stdout.on('data', (chunk: Buffer) => (out += chunk.toString()));
  return new Promise((resolve, reject) => {
    child.on('error', reject);
    child.on('close', (code) => {
      if (code !== 0) return reject(new Error(`${command} of ${id} ended with ${code}`));
      resolve((JSON.parse(out) as { scores: Score[] }).scores[0]!);
    });
  });
}
