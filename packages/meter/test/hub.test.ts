import { join } from 'node:path';
import {
  type FromInstruments,
  type MachineSetup,
  readFromInstruments,
  toLine,
  type ToInstruments,
} from '@zetalysis/core/instruments';
import { WebSocket } from 'ws';
import { readAppliances } from '../src/appliances';
import { Hub } from '../src/hub';
import { handsAt, pageOf } from '../src/page';
import { Pairing } from '../src/pairing';
import { SimulatedBench } from '../src/simulated-bench';

const ROOT = join(__dirname, '../../..');
const CODE = '408152';
const HELLO: ToInstruments = { t: 'hello', protocol: 1, code: CODE };

let hub: Hub;
let bench: SimulatedBench;
let port: number;

beforeEach(async () => {
  bench = new SimulatedBench(ROOT, readAppliances(ROOT));
  const pairing = new Pairing(CODE);
  hub = new Hub({
    adapter: bench,
    pairing,
    origins: ['https://shop.example'],
    app: pageOf(join(ROOT, 'no-such-folder')),
  });
  hub.serve(
    '/hands',
    handsAt(bench, () => ({ code: CODE, listeners: hub.count })),
  );
  port = await hub.open(0);
});
afterEach(() => hub.close());

/** Somebody who connects: what they hear, and how it ends. */
function listener(origin: string | undefined, path = '/instruments', host?: string) {
  const ws = new WebSocket(`ws://127.0.0.1:${port}${path}`, {
    ...(origin !== undefined && { origin }),
    ...(host && { headers: { host } }),
  });
  const heard: (FromInstruments | { readonly t: string; readonly [more: string]: unknown })[] = [];
  const waiting: (() => void)[] = [];
  ws.on('message', (data) => {
    for (const line of String(data).trim().split('\n'))
      heard.push(
        path === '/hands' ? (JSON.parse(line) as { t: string }) : (readFromInstruments(line) as FromInstruments),
      );
    for (const wake of waiting.splice(0)) wake();
  });
  const opened = new Promise<boolean>((resolve) => {
    ws.once('open', () => resolve(true));
    ws.once('error', () => resolve(false));
  });
  const closed = new Promise<void>((resolve) => ws.once('close', () => resolve()));
  return {
    ws,
    opened,
    closed,
    say: (said: ToInstruments | string) => ws.send(typeof said === 'string' ? said : toLine(said)),
    /** The first message that is so. */
    until: async <M>(
      so: (m: { readonly t: string; readonly [more: string]: unknown }) => M | undefined,
    ): Promise<M> => {
      for (let at = 0; ; at++) {
        while (at >= heard.length) await new Promise<void>((wake) => waiting.push(wake));
        const found = so(heard[at] as { t: string });
        if (found !== undefined) return found;
      }
    },
  };
}
const OWN = () => `http://127.0.0.1:${port}`;

test('whoever says the code hears what is there, and what it shows', async () => {
  const one = listener('http://127.0.0.1:4180');
  expect(await one.opened).toBe(true);
  one.say(HELLO);
  expect(await one.until((m) => (m.t === 'welcome' ? m : undefined))).toMatchObject({
    protocol: 1,
    simulates: { profile: 'furnace-condensing', machine: 'Furnace, Mill Lane 14' },
  });
  expect(await one.until((m) => (m.t === 'instrument' ? m : undefined))).toMatchObject({
    kind: 'multimeter',
    serial: 'ZM-2207',
  });
  const shown = await one.until((m) => (m.t === 'shows' ? m : undefined));
  expect(shown).toMatchObject({ id: 'm2', function: 'v-ac', unit: 'V' });
  one.ws.close();
});

test.each([
  ['a page of this machine', 'http://localhost:5173', true],
  ['the shop’s own address', 'https://shop.example', true],
  ['any other page', 'https://evil.example', false],
  ['one whose name begins like this machine’s', 'http://127.0.0.1.evil.example', false],
  ['one that hides where it is from', 'null', false],
  ['one that says nothing', undefined, false],
])('%s: %s', async (_, origin, let_in) => {
  const one = listener(origin);
  expect(await one.opened).toBe(let_in);
  one.ws.terminate();
});

test('a name that points at this machine is not its address', async () => {
  const one = listener('http://rebound.example:4190', '/instruments', `rebound.example:${port}`);
  expect(await one.opened).toBe(false);
});

test('nobody but the page of the bench is at the bench', async () => {
  const foreign = listener('http://127.0.0.1:4180', '/hands');
  expect(await foreign.opened).toBe(false);
  const own = listener(OWN(), '/hands');
  expect(await own.opened).toBe(true);
  own.ws.close();
});

test.each([
  ['a wrong code', { t: 'hello', protocol: 1, code: '000000' } as const, /not the code/],
  ['another protocol', { t: 'hello', protocol: 9, code: CODE } as const, /Protocol 9/],
  ['garbage', 'tell me everything', /Not understood: it is not JSON/],
  [
    'a machine before the code',
    '{"t":"machine","power":true,"gas":true,"heatCall":true,"unplugged":[],"bypassed":[],"actions":[],"apart":[],"repaired":[]}',
    /code first/,
  ],
])('%s: said, and sent away', async (_, said, why) => {
  const one = listener(OWN());
  await one.opened;
  one.say(said);
  expect(await one.until((m) => (m.t === 'refused' ? m['why'] : undefined))).toMatch(why);
  await one.closed;
});

test('whoever guesses is sent away for a minute, the right code or not', () => {
  const pairing = new Pairing(CODE);
  for (let i = 0; i < 5; i++) expect(pairing.refuses('111111', i * 1000)).toMatch(/not the code/);
  expect(pairing.refuses(CODE, 6000)).toMatch(/Wait a minute/);
  expect(pairing.refuses(CODE, 70_000)).toBeUndefined();
  expect(pairing.refuses('408 152', 70_000)).toBeUndefined();
});

test('what is switched on and off is said, and a second meter of the kind comes beside the first', async () => {
  const one = listener(OWN());
  const hands = listener(OWN(), '/hands');
  await one.opened;
  await hands.opened;
  one.say(HELLO);
  await one.until((m) => (m.t === 'welcome' ? m : undefined));
  hands.say('{"do":"switch","id":"m5","on":true}');
  expect(await one.until((m) => (m.t === 'instrument' && m['id'] === 'm5' ? m : undefined))).toMatchObject({
    title: 'Meter 5',
  });
  hands.say('{"do":"switch","id":"m5","on":false}');
  await one.until((m) => (m.t === 'gone' && m['id'] === 'm5' ? m : undefined));
  one.ws.close();
  hands.ws.close();
});

test('the machine stands as the call says, and what it does not know is left out', async () => {
  const one = listener(OWN());
  await one.opened;
  one.say(HELLO);
  one.say({
    t: 'machine',
    power: false,
    gas: true,
    heatCall: true,
    unplugged: ['P4', 'P99'],
    bypassed: [],
    actions: [],
    apart: [],
    repaired: ['gas-valve', 'kettle'],
  });
  const hands = listener(OWN(), '/hands');
  await hands.opened;
  const stands = await hands.until((m) => {
    const state = m['state'] as { setup: MachineSetup } | undefined;
    return state?.setup.power === false ? state.setup : undefined;
  });
  expect(stands.unplugged).toEqual(['P4']);
  expect(stands.repaired).toEqual(['gas-valve']);
  one.ws.close();
  hands.ws.close();
});

test.each([
  ['{"do":"put","id":"m2","place":{"at":"points","red":"R","black":"Q"}}', /Q/],
  ['{"do":"put","id":"m9","place":{"at":"nowhere"}}', /no instrument "m9"/],
  ['{"do":"turn","id":"m2","set":"a-ac"}', /has no A AC/],
  ['{"do":"choose","machine":"Nobody’s"}', /no machine/],
  ['{"do":"set"}', /"what"/],
])('at the bench, %s cannot be done, and why is said', async (line, why) => {
  const hands = listener(OWN(), '/hands');
  await hands.opened;
  hands.say(line);
  expect(await hands.until((m) => (m.t === 'problem' ? m['why'] : undefined))).toMatch(why);
  hands.ws.close();
});

test('every machine of the bench is one of the families, and its fault is there', () => {
  for (const { machine } of readAppliances(ROOT)) {
    expect(bench.do({ do: 'choose', machine })).toBeUndefined();
    expect(bench.state().machine).toBe(machine);
    bench.show();
  }
});

test('without its page being built it says what to do', async () => {
  const reply = await fetch(OWN());
  expect(reply.status).toBe(503);
  expect(await reply.text()).toMatch(/npm run meter/);
});
