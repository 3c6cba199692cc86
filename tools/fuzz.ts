// `npm run fuzz`: bad input over every route. Options: --requests N (100000), --seed N (1).
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { connect } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { parseArgs } from 'node:util';
import { CONTRACT, type AnyEndpoint } from '@zetalysis/contract';
import { BODIES } from '@zetalysis/core/visit';
import { v7 } from 'uuid';
import { startStack } from './stack.mjs';

const { values } = parseArgs({
  options: { requests: { type: 'string', default: '100000' }, seed: { type: 'string', default: '1' } },
});
const REQUESTS = Number(values.requests);
const AT_ONCE = 16;

/** Mulberry32: the same seed gives the same requests. */
let state = Number(values.seed);
function random(): number {
  state = (state + 0x6d2b79f5) | 0;
  let t = Math.imul(state ^ (state >>> 15), 1 | state);
  t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
  return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
}
const below = (n: number): number => Math.floor(random() * n);
const pick = <T>(list: readonly T[]): T => list[below(list.length)]!;

const folder = mkdtempSync(join(tmpdir(), 'zetalysis-fuzz-'));
const stack = await startStack(folder);
const PEOPLE = ['rosa', 'imre', 'bea', 'office'];
const sessions = await Promise.all(
  PEOPLE.map(async (name) => {
    const reply = await fetch(`${stack.url}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name, password: 'cold-morning' }),
    });
    const cookie = reply.headers
      .getSetCookie()
      .map((c) => c.split(';')[0]!)
      .join('; ');
    return { cookie, 'x-session-key': ((await reply.json()) as { key: string }).key };
  }),
);
const listed = (await (await fetch(`${stack.url}/api/calls?size=100`, { headers: sessions[0]! })).json()) as {
  calls: { id: string; machine: { id: string } | null }[];
};
const calls = listed.calls.map((c) => c.id);
const machines = listed.calls.flatMap((c) => c.machine?.id ?? []);

const NASTY: readonly unknown[] = [
  null,
  true,
  '',
  ' ',
  0,
  -1,
  1e308,
  -0,
  0.1,
  2 ** 53,
  '\ud83d',
  'a\udc00b',
  '\u0000',
  '🔥'.repeat(200),
  'é'.repeat(70_000),
  "'; DROP TABLE events; --",
  '" OR 1=1 #',
  '../../etc/passwd',
  '%',
  '{{7*7}}',
  '__proto__',
  'constructor',
  [],
  {},
  [[[[[[]]]]]],
  { __proto__: null, toString: 1 },
  { $gt: '' },
  { type: 'note' },
  new Date(0).toISOString(),
  '2026-13-45T99:99:99Z',
  'Infinity',
];

interface Schema {
  readonly type?: string;
  readonly const?: unknown;
  readonly anyOf?: readonly Schema[];
  readonly properties?: Readonly<Record<string, Schema>>;
  readonly items?: Schema;
  readonly pattern?: string;
  readonly format?: string;
  readonly minLength?: number;
  readonly maxLength?: number;
  readonly minimum?: number;
}

/** Something that a schema lets in, more or less: what is wrong with it comes later. */
function like(schema: Schema, depth = 0): unknown {
  if (schema.const !== undefined) return schema.const;
  if (schema.anyOf) return like(pick(schema.anyOf), depth);
  switch (schema.type) {
    case 'object':
      return Object.fromEntries(Object.entries(schema.properties ?? {}).map(([k, v]) => [k, like(v, depth + 1)]));
    case 'array':
      return Array.from({ length: 1 + below(3) }, () => like(schema.items ?? {}, depth + 1));
    case 'integer':
    case 'number':
      return (schema.minimum ?? 0) + below(50);
    case 'boolean':
      return random() < 0.5;
    case 'string':
      if (schema.format === 'date-time') return new Date(1.7e12 + below(1e9)).toISOString();
      if (schema.pattern?.includes('[0-9a-f]{8}')) return pick([v7(), pick(calls), pick(machines)]);
      return pick(['imre', 'x', 'furnace-condensing', '1', 'limit', 'a'.repeat(Math.min(schema.maxLength ?? 9, 90))]);
    default:
      return pick(NASTY);
  }
}

/** Spoils a value somewhere. */
function spoilt(value: unknown): unknown {
  if (random() < 0.15 || value === null || typeof value !== 'object') return pick(NASTY);
  if (Array.isArray(value)) {
    if (value.length === 0 || random() < 0.2) return [...(value as unknown[]), pick(NASTY)];
    const at = below(value.length);
    return (value as unknown[]).map((v, i) => (i === at ? spoilt(v) : v));
  }
  const keys = Object.keys(value);
  if (keys.length === 0 || random() < 0.15)
    return { ...value, [JSON.stringify(pick(NASTY)).slice(0, 100)]: pick(NASTY) };
  const key = pick(keys);
  if (random() < 0.15) {
    const { [key]: _gone, ...rest } = value as Record<string, unknown>;
    return rest;
  }
  return { ...value, [key]: spoilt((value as Record<string, unknown>)[key]) };
}

const ENDPOINTS = Object.values(CONTRACT).flatMap((r) => Object.values<AnyEndpoint>(r));

const ADDRESSES = ['nonsense', '%00', '%ff', '%E0%A4%A', '..%2f..', 'a'.repeat(3000), encodeURIComponent('🔥'), "'--"];

function addressOf({ path, query }: AnyEndpoint): string {
  const filled = path.replace(/:\w+/g, () =>
    random() < 0.7 ? pick([pick(calls), pick(machines), v7(), v7().toUpperCase()]) : pick(ADDRESSES),
  );
  if (!query || random() < 0.3) return filled;
  const asked = Object.keys(query.properties).flatMap((k) =>
    random() < 0.5
      ? []
      : [
          `${k}=${pick(['1', '-1', '999999', 'x', '', '%ff', '%F0%9F', 'a&a=b', '%22', '1&' + k + '=2', 'open', 'label'])}`,
        ],
  );
  return `${filled}?${asked.join('&')}`;
}

const TYPES = [
  'application/json',
  'text/plain',
  'application/json; charset=utf-7',
  'application/x-www-form-urlencoded',
  '',
  'a/b/c',
];

/** One request: a method, an address, headers and a body, something of it bad. */
function badRequest(): { path: string; init: RequestInit } {
  const endpoint = pick(ENDPOINTS);
  const headers: Record<string, string> = random() < 0.9 ? { ...pick(sessions) } : {};
  if (random() < 0.03)
    headers['cookie'] = pick([
      'zetalysis=',
      'zetalysis=s%3Ax.y',
      '=;;=',
      'zetalysis=%',
      `zetalysis-device=${'.'.repeat(30)}`,
    ]);
  if (random() < 0.02) headers['x-session-key'] = pick(['', 'x', 'a'.repeat(5000)]);
  if (random() < 0.02) headers['origin'] = pick(['null', 'http://elsewhere', 'x', stack.url]);
  if (random() < 0.02) headers['accept-encoding'] = pick(['gzip', 'br', 'x', '*;q=0']);
  const method = random() < 0.95 ? endpoint.method : pick(['GET', 'POST', 'PUT', 'DELETE', 'PATCH', 'OPTIONS']);
  // Ends the very session that asks.
  if (method === 'DELETE' && endpoint.path === '/session') return badRequest();
  if (method === 'GET' || method === 'OPTIONS') return { path: addressOf(endpoint), init: { method, headers } };
  headers['content-type'] = random() < 0.95 ? 'application/json' : pick(TYPES);
  if (random() < 0.02) headers['content-encoding'] = pick(['gzip', 'deflate', 'br', 'x']);
  return { path: addressOf(endpoint), init: { method, headers, body: bodyOf(endpoint) } };
}

function bodyOf(endpoint: AnyEndpoint): string {
  let body = endpoint.path === '/calls/:id/events' ? { events: someEvents() } : like((endpoint.body ?? {}) as Schema);
  for (let i = below(3); i > 0; i--) body = spoilt(body) as object;
  const text = JSON.stringify(body) ?? '';
  if (random() < 0.95) return text;
  // Not even JSON any more.
  const at = below(text.length);
  return pick([
    text.slice(0, at),
    `${text.slice(0, at)}\u0000${text.slice(at)}`,
    `[${text}`,
    `{"__proto__":${text}}`,
    '\ufeff' + text,
  ]);
}

function someEvents(): unknown[] {
  return Array.from({ length: 1 + below(4) }, () => ({
    id: v7(),
    call: pick(calls),
    seq: 1 + below(3000),
    at: new Date().toISOString(),
    device: 'fuzz',
    person: pick(PEOPLE),
    body: like(pick(Object.values(BODIES)) as Schema),
  }));
}

/** Bytes that are hardly HTTP. */
function rawBytes(): Promise<void> {
  const text = pick([
    'GET / HTTP/9.9\r\n\r\n',
    'POST /api/session HTTP/1.1\r\nHost: x\r\nContent-Length: 999999\r\n\r\nshort',
    'GET /api/calls HTTP/1.1\r\nHost: x\r\nContent-Length: -1\r\n\r\n',
    'POST /api/session HTTP/1.1\r\nHost: x\r\nTransfer-Encoding: chunked\r\n\r\nzz\r\n',
    '\u0000\u0001\u0002',
    `GET /${'a'.repeat(20_000)} HTTP/1.1\r\nHost: x\r\n\r\n`,
  ]);
  return new Promise((resolve) => {
    const socket = connect(Number(new URL(stack.url).port), '127.0.0.1', () => socket.end(text));
    socket.setTimeout(300, () => socket.destroy());
    socket
      .on('error', () => undefined)
      .on('close', () => resolve())
      .resume();
  });
}

const statuses = new Map<number, number>();
const failures = new Map<string, string>();
let left = REQUESTS;

async function worker(): Promise<void> {
  while (left-- > 0) {
    if (random() < 0.002) {
      await rawBytes();
      continue;
    }
    const { path, init } = badRequest();
    const reply = await fetch(`${stack.url}/api${path}`, { ...init, signal: AbortSignal.timeout(60_000) }).catch(
      (error: Error) => error,
    );
    if (reply instanceof Error) {
      // What the client library itself will not send was never asked.
      if (reply instanceof TypeError && !/fetch failed/.test(reply.message)) continue;
      failures.set(`none ${init.method} ${path.slice(0, 60)}`, `${String(reply)} ${String(reply.cause)}`);
      continue;
    }
    const text = await reply.text();
    statuses.set(reply.status, (statuses.get(reply.status) ?? 0) + 1);
    if (reply.status >= 500 && reply.status !== 503)
      failures.set(
        `${reply.status} ${init.method} ${path.split('?')[0]!.slice(0, 40)}`,
        `${text.slice(0, 200)} ${JSON.stringify(init).slice(0, 600)}`,
      );
  }
}

const serverPid = stack.pid();
const memory = (): number =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${serverPid}/status`, 'utf8'))![1]) / 1024;

async function run(requests: number): Promise<void> {
  left = requests;
  await Promise.all(Array.from({ length: AT_ONCE }, worker));
}

const begun = Date.now();
// Threads that check profiles end when nobody needs them for half a minute.
const REST = 40_000;
// Once warm, memory has to come back to where it was.
await run(Math.round(REQUESTS / 5));
await wait(REST);
const warm = memory();
await run(REQUESTS - Math.round(REQUESTS / 5));
await wait(REST);
const after = memory();
const alive = (await fetch(`${stack.url}/api/health`)).status === 200 && stack.pid() === serverPid;
console.log(`${REQUESTS} requests, seed ${values.seed}, ${Math.round((Date.now() - begun) / 1000)} s`);
console.log(
  [...statuses]
    .sort((a, b) => a[0] - b[0])
    .map(([s, n]) => `${s}: ${n}`)
    .join(', '),
);
console.log(
  `server ${alive ? 'alive, the same process' : 'GONE'}; memory ${warm.toFixed(0)} MB warm, ${after.toFixed(0)} MB after`,
);
for (const [what, words] of [...failures].slice(0, 20)) console.log(`${what}\n   ${words}`);
await stack.stop();
rmSync(folder, { recursive: true, force: true });
process.exit(failures.size === 0 && alive ? 0 : 1);
