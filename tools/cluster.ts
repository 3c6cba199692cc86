// `npm run cluster`: two servers on a cluster of three database nodes; one node is killed while entries are written. Prints how long
// nobody got an answer, and holds what is stored against what was acknowledged. Option: --seconds N (12) of load before and after.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { parseArgs } from 'node:util';
import type { NumberedEvent } from '@zetalysis/contract';
import { v7 } from 'uuid';
import { Acknowledged, OPENING, pick } from './acknowledged';
import { Client } from './client';
import { ensureGalera, startGalera } from './galera.mjs';
import { freePort } from './process.mjs';
import { startServer } from './server.mjs';

const { values } = parseArgs({ options: { seconds: { type: 'string', default: '12' } } });
const SECONDS = Number(values.seconds);
const CALLS = 60;
const WRITERS = ['rosa', 'imre', 'bea', 'office'];
/** So long nobody may be without an answer, seconds. */
const AIM = 5;

await ensureGalera();
const folder = mkdtempSync(join(tmpdir(), 'zetalysis-cluster-'));
const nodes = await startGalera(folder);
const at = (i: number): string => `127.0.0.1:${nodes[i]!.port}`;
const ports = [await freePort(), await freePort()];
const envOf = (i: number, others: readonly number[]) => ({
  DATABASE_URL: nodes[i]!.url,
  DATABASE_NODES: others.map(at).join(','),
  PORT: String(ports[i]),
  SESSION_SECRET: 'only-for-the-cluster-script-01',
  LOG_LEVEL: 'error',
  LOG_FILE: join(folder, `server-${i + 1}.log`),
});
// One of them brings the database up to date; the other likes another node best.
const ownerUrl = nodes[0]!.url.replace('//zetalysis:', '//zetalysis_owner:');
const servers = [
  await startServer({ ...envOf(0, [1, 2]), OWNER_DATABASE_URL: ownerUrl }, { demo: true }),
  await startServer(envOf(1, [2, 0])),
];
const clients = WRITERS.map((name, i) => new Client(`http://127.0.0.1:${ports[i % 2]}`, name));
for (const client of clients) await client.signIn();

const acknowledged = new Acknowledged();
const calls = Array.from({ length: CALLS }, () => ({ id: v7(), clock: 1 }));
for (const call of calls) await acknowledged.write(clients[0]!, call.id, [clients[0]!.entry(call.id, 1, OPENING)]);

let writing = true;
/** By server: when it answered last, and how long it was without an answer at most, milliseconds. */
const quiet = ports.map(() => ({ last: Date.now(), longest: 0 }));
const answered = (server: number): void => {
  const one = quiet[server]!;
  one.longest = Math.max(one.longest, Date.now() - one.last);
  one.last = Date.now();
};

async function writer(client: Client, server: number): Promise<void> {
  while (writing) {
    const call = pick(calls);
    const events = Array.from({ length: 1 + Math.floor(Math.random() * 5) }, () =>
      client.entry(call.id, ++call.clock, { type: 'note', text: `written ${Math.random()}` }),
    );
    await acknowledged.write(client, call.id, events);
    answered(server);
  }
}
const work = clients.map((client, i) => writer(client, i % 2));

await wait(SECONDS * 1000);
const before = { entries: acknowledged.size, longest: quiet.map((q) => q.longest) };
console.log(
  `${before.entries} entries acknowledged in ${SECONDS} s; longest without an answer ${inSeconds(before.longest)}`,
);
quiet.forEach((q) => (q.longest = 0));
const first = nodes[0]!;
process.kill(first.pid!, 'SIGKILL');
console.log('the node that the first server likes best is killed');
await wait(SECONDS * 1000);
const stalled = quiet.map((q) => q.longest);
console.log(
  `${acknowledged.size - before.entries} more in ${SECONDS} s; longest without an answer ${inSeconds(stalled)}`,
);
writing = false;
await Promise.all(work);

const stored = new Map<string, NumberedEvent>();
for (const { id } of calls)
  for (let after = 0; ;) {
    const { body } = await clients[1]!.after(id, after);
    for (const entry of body.entries) stored.set(entry.event.id, entry);
    after += body.entries.length;
    if (after >= body.last || body.entries.length === 0) break;
  }
const tally = acknowledged.against(stored);
console.log(`${acknowledged.size} acknowledged, ${stored.size} stored; ${JSON.stringify(tally)}`);
for (const fault of [...new Set(acknowledged.faults)].slice(0, 10)) console.log(fault);
for (const server of servers) await server.stop();
for (const node of nodes.slice(1)) await node.stop();
rmSync(folder, { recursive: true, force: true });
const held = Object.values(tally).every((n) => n === 0) && Math.max(...stalled) <= AIM * 1000;
process.exit(held && acknowledged.faults.length === 0 ? 0 : 1);

function inSeconds(times: readonly number[]): string {
  return times.map((ms, i) => `${(ms / 1000).toFixed(1)} s at server ${i + 1}`).join(', ');
}
