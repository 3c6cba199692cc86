// `npm run crash`: kills server and database while entries are written, and then holds what is stored against what was
// acknowledged. Options: --kills N (200), --entries N (50000).
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { isDeepStrictEqual, parseArgs } from 'node:util';
import type { CallEvent, EventBody } from '@zetalysis/core/visit';
import { v7 } from 'uuid';
import { Acknowledged, OPENING, pick } from './acknowledged';
import { Client } from './client';
import { startMariaDb } from './mariadb.mjs';
import { freePort } from './process.mjs';
import { startServer } from './server.mjs';

const { values } = parseArgs({
  options: { kills: { type: 'string', default: '200' }, entries: { type: 'string', default: '50000' } },
});
const KILLS = Number(values.kills);
const ENTRIES = Number(values.entries);
const WRITERS = ['rosa', 'imre', 'bea', 'office'];
const CALLS = 400;
/** Requests of one writer at the same time. */
const AT_ONCE = 2;

const folder = mkdtempSync(join(tmpdir(), 'zetalysis-crash-'));
let database = await startMariaDb(folder);
const port = await freePort();
const env = {
  DATABASE_URL: database.url,
  OWNER_DATABASE_URL: database.ownerUrl,
  PORT: String(port),
  SESSION_SECRET: 'only-for-the-crash-script-0123',
  LOG_LEVEL: 'error',
  LOG_FILE: join(folder, 'server.log'),
};
let server = await startServer(env, { demo: true });
const clients = WRITERS.map((name) => new Client(`http://127.0.0.1:${port}`, name));
for (const client of clients) await client.signIn();

const acknowledged = new Acknowledged();
const { faults } = acknowledged;
const write = acknowledged.write.bind(acknowledged);
const calls = Array.from({ length: CALLS }, () => ({ id: v7(), clock: 1 }));
for (const call of calls) await write(clients[0]!, call.id, [clients[0]!.entry(call.id, 1, OPENING)]);

let writing = true;
/** Bodies of several kinds, such as make the overview change. */
function someBody(): EventBody {
  const bypassed = Math.random() < 0.3 ? ['limit'] : [];
  return pick<EventBody>([
    { type: 'note', text: `žluť 🔥 ${Math.random()}` },
    { type: 'seen', phase: 'inducer', answer: 'yes' },
    { type: 'setup', power: Math.random() < 0.5, gas: true, call: true, unplugged: [], bypassed },
    {
      type: 'volts',
      red: 'R',
      black: 'C',
      typed: '24',
      reading: { kind: 'value', value: Math.random() * 30, dimension: 'voltage' },
    },
    { type: 'closed', words: '' },
    { type: 'reopened', words: 'again' },
  ]);
}

async function writer(client: Client): Promise<void> {
  while (writing) {
    const call = pick(calls);
    const events = Array.from({ length: 1 + Math.floor(Math.random() * 20) }, () =>
      client.entry(call.id, ++call.clock, someBody()),
    );
    await write(client, call.id, events);
  }
}

/** Follows some calls while they are written, as a page does. */
async function reader(client: Client, followed: readonly string[], seen: Map<string, CallEvent[]>): Promise<void> {
  for (let last = false; ; last = !writing) {
    for (const call of followed) {
      const known = seen.get(call) ?? [];
      const { status, body } = await client.after(call, known.length);
      if (status !== 200) faults.push(`reading: ${status}`);
      else
        for (const { number, event } of body.entries) {
          if (number !== known.length + 1) faults.push(`skipped: ${call} gave ${number} after ${known.length}`);
          known.push(event);
        }
      seen.set(call, known);
    }
    if (last) return;
  }
}

const seen = new Map<string, CallEvent[]>();
const work = [
  ...clients.flatMap((c) => Array.from({ length: AT_ONCE }, () => writer(c))),
  ...clients.map((c, i) =>
    reader(
      c,
      calls.filter((_, k) => k % clients.length === i).map((x) => x.id),
      seen,
    ),
  ),
];

let kills = 0;
let busyKills = 0;
const begun = Date.now();
while (kills < KILLS || acknowledged.size < ENTRIES) {
  kills++;
  await wait(200 + Math.random() * 800);
  const inFlight = clients.reduce((sum, c) => sum + c.inFlight, 0);
  const [killServer, killDatabase] = pick([
    [true, false],
    [false, true],
    [true, true],
  ] as const);
  if (inFlight > 0) busyKills++;
  if (killServer) await killed(server.child.pid!, server.child);
  if (killDatabase) {
    await killed(database.pid!, database.child);
    database = await startMariaDb(folder, { port: database.port });
  }
  if (killServer) server = await startAgain();
  if (kills % 20 === 0)
    console.log(
      `${kills} kills, ${busyKills} with requests in flight, ${acknowledged.size} acknowledged, ${Math.round((Date.now() - begun) / 1000)} s`,
    );
}
writing = false;
await Promise.all(work);

/** A server that is started while its database is not yet ready ends, and is started again, as a supervisor does. */
async function startAgain(): ReturnType<typeof startServer> {
  for (;;) {
    try {
      return await startServer(env);
    } catch {
      await wait(200);
    }
  }
}

function killed(
  pid: number,
  child: { once: (event: 'exit', then: () => void) => unknown; exitCode: number | null; signalCode: string | null },
): Promise<void> {
  return new Promise((resolve) => {
    if (child.exitCode !== null || child.signalCode !== null) return resolve();
    child.once('exit', () => resolve());
    process.kill(pid, 'SIGKILL');
  });
}

const read = { doubled: 0, skipped: 0, unread: 0 };
const stored = new Map<string, { event: CallEvent; number: number }>();
for (const { id } of calls)
  for (let after = 0; ;) {
    const { body } = await clients[0]!.after(id, after);
    for (const { number, event } of body.entries) {
      if (stored.has(event.id)) read.doubled++;
      if (number !== ++after) read.skipped++;
      stored.set(event.id, { event, number });
      if (!isDeepStrictEqual(seen.get(id)?.[number - 1], event)) read.unread++;
    }
    if (after >= body.last) break;
  }
const tally = { ...acknowledged.against(stored), ...read };

console.log(
  `\n${acknowledged.size} entries acknowledged, ${stored.size} stored, by ${WRITERS.length} writers in ${CALLS} calls`,
);
console.log(`${kills} kills, ${busyKills} with requests in flight`);
console.log(JSON.stringify(tally));
for (const fault of [...new Set(faults)].slice(0, 10)) console.log(fault);
await server.stop();
await database.stop();
rmSync(folder, { recursive: true, force: true });
process.exit(faults.length === 0 && Object.values(tally).every((n) => n === 0) ? 0 : 1);
