import { mkdtempSync } from 'node:fs';
import { startStack } from './stack.mjs';
import { Client } from './client';
const stack = await startStack(mkdtempSync('/tmp/zz-'));
for (let round = 0; round < 10; round++) {
  const cs = ['rosa', 'imre', 'bea', 'office'].map((n) => new Client(stack.url, n));
  await Promise.all(cs.map((c) => c.signIn()));
  console.log(round, await Promise.all(cs.map(async (c) => (await c.ask('GET', '/session')).status)));
}
const c = new Client(stack.url, 'imre');
await c.signIn();
for (let i = 0; i < 3; i++)
  console.log(
    (await c.ask('PUT', '/session/password', { old: 'x', wanted: 'aaaaaaaaaaaa' })).status,
    (await c.ask('GET', '/session')).status,
  );
await stack.stop();
process.exit(0);
