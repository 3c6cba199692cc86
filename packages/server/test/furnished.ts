import { spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import { closeSync, existsSync, mkdirSync, openSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { WholeProfile } from '@zetalysis/contract';

/** A database with the demo as a dump, and the profiles that were served with it. */
interface Furnished {
  /** Name of the database that it was built in. */
  readonly by: string;
  readonly dump: string;
  readonly shipped: ReadonlyMap<string, WholeProfile>;
}

/** Building it takes some ten seconds; a machine that is busy takes longer. */
const PATIENCE = 180_000;

/**
 * What the first file of tests builds in its own database, and all others of the same database server copy: to migrate, check and load
 * the same for each of them would be most of their time.
 */
export async function furnished(url: string, build: () => Promise<Map<string, WholeProfile>>): Promise<Furnished> {
  const { pathname, host, password } = new URL(url);
  const name = createHash('sha256').update(`${host}${password}`).digest('hex').slice(0, 16);
  const folder = process.env['TEST_FURNISHED'] ?? join(tmpdir(), `zetalysis-furnished-${name}`);
  mkdirSync(folder, { recursive: true });
  const [ready, dump] = [join(folder, 'ready.json'), join(folder, 'demo.sql')];
  if (first(folder)) {
    const shipped = await build();
    await client('mariadb-dump', url, ['--single-transaction', '--triggers'], { out: dump });
    const made = { by: pathname.slice(1), shipped: [...shipped] };
    writeFileSync(join(folder, 'made.json'), JSON.stringify(made));
    renameSync(join(folder, 'made.json'), ready);
  }
  for (let waited = 0; !existsSync(ready); waited += 100) {
    if (waited > PATIENCE) throw new Error(`Nobody has furnished ${folder}: remove it, and start the tests again.`);
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  const made = JSON.parse(readFileSync(ready, 'utf8')) as { by: string; shipped: [string, WholeProfile][] };
  return { by: made.by, dump, shipped: new Map(made.shipped) };
}

/** Pours a dump into an empty database; indexes of words keep every word, as the migrations make them. */
export const pour = (dump: string, url: string): Promise<void> =>
  client('mariadb', url, ['--init-command=SET innodb_ft_enable_stopword = OFF'], { in: dump });

/** Whether nobody has begun before. */
function first(folder: string): boolean {
  try {
    mkdirSync(join(folder, 'begun'));
    return true;
  } catch {
    return false;
  }
}

async function client(
  command: string,
  url: string,
  more: readonly string[],
  files: { readonly in?: string; readonly out?: string },
): Promise<void> {
  const { hostname, port, username, password, pathname } = new URL(url);
  const input = files.in === undefined ? undefined : openSync(files.in, 'r');
  const output = files.out === undefined ? undefined : openSync(files.out, 'w');
  const args = ['--no-defaults', `-h${hostname}`, `-P${port}`, `-u${username}`, ...more, pathname.slice(1)];
  const child = spawn(command, args, {
    stdio: [input ?? 'ignore', output ?? 'ignore', 'pipe'],
    env: { ...process.env, MYSQL_PWD: password },
  });
  let said = '';
  child.stderr!.on('data', (chunk) => (said += String(chunk)));
  const code = await new Promise<number | null>((resolve, reject) => {
    child.on('error', reject);
    child.on('close', resolve);
  });
  if (input !== undefined) closeSync(input);
  if (output !== undefined) closeSync(output);
  if (code !== 0) throw new Error(`${command}: ${said}`);
}
