// The server's part of `npm run bench`, also by itself: a shop of some years, 100 mixed requests a second for a minute, and
// the same work in bare SQL in the same minute. Options: --seconds N (60), --rate N (100), --calls N (20000, in steps of 10000).
import { execFile } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { parseArgs, promisify } from 'node:util';
import { createConnection, createPool, type Pool, type PoolConnection } from 'mariadb';
import { v7 } from 'uuid';
import { line } from './bench-print';
import { idText, loadBook, loadShop, PLACES, SHOP } from './bench-load';
import { Client } from './client';
import { startMariaDb } from './mariadb.mjs';
import { ROOT } from './packages.mjs';
import { freePort } from './process.mjs';
import { startServer } from './server.mjs';

const PEOPLE = ['rosa', 'imre', 'bea', 'office'];
/** Of so many requests one is made in bare SQL as well. */
const TWIN_EVERY = 10;
const below = (n: number): number => Math.floor(Math.random() * n);
const someCall = (): string => idText('c', 1 + below(SHOP.calls));
/** What somebody looks for: a place that was cold, or a serial number. */
const word = (): string => (Math.random() < 0.5 ? PLACES[below(PLACES.length)]! : `SN${1 + below(SHOP.machines)}`);

/** One kind of request: how often, through the server, and as the statements that do the same work. */
interface Kind {
  readonly name: string;
  readonly share: number;
  readonly ask: (client: Client) => Promise<{ readonly status: number }>;
  readonly bare: (pool: Pool) => Promise<unknown>;
}

const heads = async (pool: Pool, rows: readonly { callId: string }[]): Promise<void> => {
  const ids = rows.map((r) => r.callId);
  if (ids.length === 0) return;
  await Promise.all([
    pool.query('SELECT * FROM calls JOIN machines ON machines.id = calls.machineId WHERE calls.id IN (?)', [ids]),
    pool.query('SELECT * FROM overviews WHERE callId IN (?)', [ids]),
  ]);
};

const words = (typed: string): string => `+${typed}*`;
const FOUND = `(SELECT id FROM calls WHERE MATCH (complaint) AGAINST (? IN BOOLEAN MODE) UNION SELECT c.id FROM machines m JOIN calls c ON c.machineId = m.id WHERE MATCH (m.label, m.site, m.make, m.modelName, m.serial) AGAINST (? IN BOOLEAN MODE)) AS found JOIN overviews o ON o.callId = found.id`;

const KINDS: readonly Kind[] = [
  {
    name: 'open calls',
    share: 10,
    ask: (c) => c.ask('GET', '/calls?state=open&size=100'),
    bare: async (pool) => {
      const [rows] = await Promise.all([
        pool.query('SELECT callId FROM overviews WHERE open = 1 ORDER BY openedAt DESC, callId DESC LIMIT 100'),
        pool.query('SELECT COUNT(*) FROM overviews WHERE open = 1'),
      ]);
      await heads(pool, rows as { callId: string }[]);
    },
  },
  {
    name: 'what to watch',
    share: 10,
    ask: (c) => c.ask('GET', '/calls/watch'),
    bare: async (pool) =>
      heads(
        pool,
        (await pool.query('SELECT callId FROM overviews WHERE watch = 1 ORDER BY openedAt DESC')) as {
          callId: string;
        }[],
      ),
  },
  {
    name: 'search calls',
    share: 5,
    ask: (c) => c.ask('GET', `/calls?size=10&search=${word()}`),
    bare: async (pool) => {
      const typed = words(word());
      const sql = `SELECT o.callId, COUNT(*) OVER () FROM ${FOUND} ORDER BY o.openedAt DESC, o.callId DESC LIMIT 10`;
      await heads(pool, (await pool.query(sql, [typed, typed])) as { callId: string }[]);
    },
  },
  {
    name: 'page of machines',
    share: 10,
    ask: (c) => c.ask('GET', `/machines?size=25&page=${1 + below(100)}`),
    bare: (pool) =>
      Promise.all([
        pool.query('SELECT COUNT(*) FROM machines'),
        pool.query('SELECT * FROM machines ORDER BY label, id LIMIT 25 OFFSET ?', [25 * below(100)]),
      ]),
  },
  {
    name: 'search machines',
    share: 5,
    ask: (c) => c.ask('GET', `/machines?size=25&search=${word()}`),
    bare: (pool) => {
      const match = 'MATCH (label, site, make, modelName, serial) AGAINST (? IN BOOLEAN MODE)';
      const typed = words(word());
      return Promise.all([
        pool.query(`SELECT COUNT(*) FROM machines WHERE ${match}`, [typed]),
        pool.query(`SELECT * FROM machines WHERE ${match} ORDER BY label, id LIMIT 25`, [typed]),
      ]);
    },
  },
  {
    name: 'head of a call',
    share: 10,
    ask: (c) => c.ask('GET', `/calls/${someCall()}`),
    bare: (pool) =>
      pool.query('SELECT * FROM calls JOIN machines ON machines.id = calls.machineId WHERE calls.id = ?', [someCall()]),
  },
  {
    name: 'log of a call',
    share: 15,
    ask: (c) => c.ask('GET', `/calls/${someCall()}/events`),
    bare: (pool) =>
      pool.query('SELECT * FROM events WHERE callId = ? AND number > 0 ORDER BY number LIMIT 500', [someCall()]),
  },
  {
    name: 'anything new?',
    share: 20,
    ask: (c) => c.ask('GET', `/calls/${someCall()}/events?after=${SHOP.entriesOfCall}`),
    bare: async (pool) => {
      const call = someCall();
      await pool.query('SELECT * FROM events WHERE callId = ? AND number > 30 ORDER BY number LIMIT 500', [call]);
      await pool.query('SELECT MAX(number) FROM events WHERE callId = ?', [call]);
    },
  },
  {
    name: 'search everything',
    share: 3,
    ask: (c) => c.ask('GET', `/search?words=${1 + below(SHOP.calls * SHOP.entriesOfCall)}`),
    bare: (pool) =>
      pool.query(
        'SELECT w.id, w.words, m.label FROM entry_words w JOIN calls c ON c.id = w.callId LEFT JOIN machines m ON m.id = c.machineId WHERE MATCH (w.words) AGAINST (? IN BOOLEAN MODE) ORDER BY c.createdAt DESC LIMIT 20',
        [words(String(1 + below(SHOP.calls * SHOP.entriesOfCall)))],
      ),
  },
  {
    name: 'what is due',
    share: 1,
    ask: (c) => c.ask('GET', '/upkeep'),
    bare: (pool) =>
      Promise.all([
        pool.query('SELECT id, label, site, profile, build, createdAt FROM machines WHERE gone = 0 ORDER BY site'),
        pool.query('SELECT machineId, duty, MAX(day) FROM duty_records GROUP BY machineId, duty'),
      ]),
  },
  {
    name: 'three entries',
    share: 15,
    ask: (c) => {
      const call = someCall();
      const entry = (i: number) => c.entry(call, 31 + i, { type: 'note', text: `${i}: looked at the vent` });
      return c.ask('POST', `/calls/${call}/events`, { events: [entry(0), entry(1), entry(2)] });
    },
    bare: insertThree,
  },
];

async function insertThree(pool: Pool): Promise<void> {
  const call = someCall();
  const connection: PoolConnection = await pool.getConnection();
  try {
    await connection.beginTransaction();
    const [{ last }] = (await connection.query(
      'SELECT MAX(number) AS last, MAX(seq) AS clock FROM events WHERE callId = ?',
      [call],
    )) as [{ last: number }];
    const ids = [v7(), v7(), v7()];
    await connection.query('SELECT * FROM events WHERE id IN (?)', [ids]);
    await connection.batch(
      'INSERT INTO events (callId, number, id, seq, at, device, person, type, body, createdAt) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, NOW(3))',
      ids.map((id, i) => [
        call,
        last + 1 + i,
        id,
        last + 1 + i,
        new Date().toISOString(),
        'bare',
        'imre',
        'note',
        '{"type":"note","text":"bare"}',
      ]),
    );
    await connection.query('UPDATE overviews SET upTo = ? WHERE callId = ?', [last + 3, call]);
    await connection.commit();
  } catch (error) {
    await connection.rollback();
    if ((error as { errno?: number }).errno !== 1062) throw error;
  } finally {
    await connection.release();
  }
}

/** Time that a process has worked, in ticks of a hundredth of a second as Linux counts it. */
function cpuSeconds(pid: number): number {
  const fields = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1]!.split(' ');
  return (Number(fields[11]) + Number(fields[12])) / 100;
}

const pool = KINDS.flatMap((kind) => Array<Kind>(kind.share).fill(kind));
const percentile = (times: readonly number[], share: number): number =>
  [...times].sort((a, b) => a - b)[Math.min(times.length - 1, Math.floor(times.length * share))] ?? NaN;

/** Runs it and prints the figures. */
export async function benchServer(seconds: number, rate: number): Promise<void> {
  console.log(`\nserver: ${SHOP.calls} calls, ${SHOP.calls * SHOP.entriesOfCall} entries, ${SHOP.machines} machines`);
  const folder = mkdtempSync(join(tmpdir(), 'zetalysis-bench-server-'));
  const database = await startMariaDb(folder);
  const port = await freePort();
  const env = {
    DATABASE_URL: database.url,
    OWNER_DATABASE_URL: database.ownerUrl,
    PORT: String(port),
    SESSION_SECRET: 'only-for-the-bench-0123456789',
    LOG_LEVEL: 'error',
    LOG_FILE: join(folder, 'server.log'),
  };
  const first = await startServer(env, { demo: true });
  await first.stop();
  const owner = await createConnection(database.ownerUrl);
  const loading = performance.now();
  await loadShop(owner);
  await owner.end();
  line('loaded in', `${((performance.now() - loading) / 1000).toFixed(0)} s`);
  const making = performance.now();
  await promisify(execFile)(process.execPath, [join(ROOT, 'packages/server/dist/admin.js'), 'rebuild'], {
    env: { ...process.env, ...env },
  });
  line('overviews made in', `${((performance.now() - making) / 1000).toFixed(0)} s`);
  const booking = await createConnection(database.ownerUrl);
  await loadBook(booking);
  await booking.end();

  const server = await startServer(env);
  const clients = PEOPLE.map((name) => new Client(`http://127.0.0.1:${port}`, name));
  for (const client of clients) await client.signIn();
  const bare = createPool({ ...addressOf(database.url), connectionLimit: 4, checkDuplicate: false });
  await measure(clients, bare, { server: server.child.pid!, database: database.pid! }, seconds, rate);
  await measurePatterns(clients[0]!);
  await bare.end();
  await server.stop();
  await database.stop();
  rmSync(folder, { recursive: true, force: true });
}

/**
 * What the calls of the shop add up to is asked by itself: nobody looks at it a hundred times a second. The first time is of a book that
 * has just changed, the others of one that was looked at before.
 */
async function measurePatterns(client: Client): Promise<void> {
  const asked = [
    '/patterns',
    '/patterns/breaks',
    '/patterns/breaks?make=Ostrander&age=10-14',
    '/patterns/cases?part=igniter',
    '/patterns/advice?whose=shop',
    '/patterns/advice?whose=shop&from=2026-01-01',
    '/patterns/trends',
    '/rates',
    '/stock',
  ];
  console.log(`\n  patterns, each ${PATTERNS_ASKED} times by itself        first    p50    p95`);
  for (const path of asked) {
    const times: number[] = [];
    for (let i = 0; i < PATTERNS_ASKED; i++) {
      const from = performance.now();
      const { status } = await client.ask('GET', path);
      times.push(performance.now() - from);
      if (status !== 200) throw new Error(`${path} answered ${status}`);
    }
    const [p50, p95] = [percentile(times, 0.5), percentile(times, 0.95)];
    console.log(
      `  ${path.padEnd(44)} ${times[0]!.toFixed(0).padStart(6)} ${p50.toFixed(0).padStart(5)} ${p95.toFixed(0).padStart(6)}`,
    );
  }
}

const PATTERNS_ASKED = 30;

function addressOf(url: string) {
  const { hostname, port, username, password, pathname } = new URL(url);
  return { host: hostname, port: Number(port), user: username, password, database: pathname.slice(1), timezone: 'Z' };
}

async function measure(
  clients: readonly Client[],
  bare: Pool,
  pids: { readonly server: number; readonly database: number },
  seconds: number,
  rate: number,
): Promise<void> {
  const served = new Map<Kind, number[]>(KINDS.map((k) => [k, []]));
  const twins = new Map<Kind, number[]>(KINDS.map((k) => [k, []]));
  let failed = 0;
  let memory = 0;
  const watching = setInterval(() => {
    memory = Math.max(
      memory,
      Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pids.server}/status`, 'utf8'))![1]) / 1024,
    );
  }, 500);
  const under: Promise<void>[] = [];
  const timed = async (into: number[], work: () => Promise<unknown>): Promise<void> => {
    const from = performance.now();
    const answer = await work();
    into.push(performance.now() - from);
    const { status = 200 } = (answer ?? {}) as { status?: number };
    if (status !== 200) failed++;
  };
  const before = [cpuSeconds(pids.server), cpuSeconds(pids.database)];
  const begun = performance.now();
  for (let i = 0; i < seconds * rate; i++) {
    const due = begun + (i * 1000) / rate;
    // Whoever comes does not wait for those before.
    if (due > performance.now()) await wait(due - performance.now());
    const kind = pool[below(pool.length)]!;
    under.push(timed(served.get(kind)!, () => kind.ask(clients[i % clients.length]!)));
    if (i % TWIN_EVERY === 0) {
      const twin = pool[below(pool.length)]!;
      under.push(timed(twins.get(twin)!, () => twin.bare(bare)));
    }
  }
  await Promise.all(under);
  clearInterval(watching);
  const took = (performance.now() - begun) / 1000;
  console.log(
    `  ${(under.length / took).toFixed(0)} a second over ${took.toFixed(1)} s, bare SQL included; ${failed} failed`,
  );
  console.log('  kind               asked   p50    p95   bare p50    p95   within 2 × + 20 ms');
  for (const kind of KINDS) {
    const [s, b] = [served.get(kind)!, twins.get(kind)!];
    const [p50, p95, bare50, bare95] = [
      percentile(s, 0.5),
      percentile(s, 0.95),
      percentile(b, 0.5),
      percentile(b, 0.95),
    ];
    console.log(
      `  ${kind.name.padEnd(18)} ${String(s.length).padStart(5)} ${p50.toFixed(1).padStart(6)} ${p95.toFixed(1).padStart(6)} ${bare50.toFixed(1).padStart(10)} ${bare95.toFixed(1).padStart(6)}   ${p95 <= 2 * bare95 + 20 ? 'yes' : 'NO'}`,
    );
  }
  const [work, storage] = [cpuSeconds(pids.server) - before[0]!, cpuSeconds(pids.database) - before[1]!];
  line('cores used by server and database', `${(work / took).toFixed(2)} and ${(storage / took).toFixed(2)}`);
  line('memory of the server, at most', `${memory.toFixed(0)} MB`);
}

if (process.argv[1] === import.meta.filename) {
  const { values } = parseArgs({
    options: {
      seconds: { type: 'string', default: '60' },
      rate: { type: 'string', default: '100' },
      calls: { type: 'string', default: String(SHOP.calls) },
    },
  });
  SHOP.calls = Number(values.calls);
  await benchServer(Number(values.seconds), Number(values.rate));
  process.exit(0);
}
