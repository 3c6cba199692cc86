// `npm run season`: makes the demo's season anew. Calls are played in as many processes as there are cores.
import { type ChildProcess, fork } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { headLine, Season } from './index';

const OUT = join(import.meta.dirname, '../season.jsonl.gz');

/** What a child tells: which call, its lines, how it went. */
interface Played {
  readonly index: number;
  readonly lines: readonly string[];
  readonly ended: string;
}

const part = process.env['SEASON_PART'];
if (part === undefined) await all();
else await some(part);

async function some(which: string): Promise<void> {
  const [mine, of] = which.split('/').map(Number) as [number, number];
  const season = new Season();
  for (const { index } of season.calls) {
    if (index % of !== mine) continue;
    const played = season.play(index);
    const lines = (await season.linesOf(index, played)).map((line) => JSON.stringify(line));
    process.send!({ index, lines, ended: played.ended } satisfies Played);
  }
  process.disconnect();
}

async function all(): Promise<void> {
  const season = new Season();
  const total = season.calls.length;
  const played: Played[] = [];
  const cores = availableParallelism();
  const children = Array.from({ length: cores }, (_, i): ChildProcess => {
    const env = { ...process.env, SEASON_PART: `${i}/${cores}` };
    return fork(import.meta.filename, { env, execArgv: process.execArgv });
  });
  await Promise.all(
    children.map(
      (child) =>
        new Promise<void>((resolve, reject) => {
          child.on('message', (one: Played) => {
            played.push(one);
            if (played.length % 20 === 0) console.log(`${played.length} of ${total} calls`);
          });
          child.on('exit', (code) => (code === 0 ? resolve() : reject(new Error(`A part ended with ${code}.`))));
        }),
    ),
  );
  played.sort((a, b) => a.index - b.index);
  const lines = [headLine(), ...season.register()].map((line) => JSON.stringify(line));
  const text = [...lines, ...played.flatMap((p) => p.lines)].join('\n');
  writeFileSync(OUT, gzipSync(`${text}\n`, { level: 9 }));
  const ends = new Map<string, number>();
  for (const { ended } of played) ends.set(ended, (ends.get(ended) ?? 0) + 1);
  console.log(
    `${lines.length - 1} lines of the register, ${total} calls: ${[...ends].map((e) => e.join(' ')).join(', ')}`,
  );
}
