import { Connection } from '../src/instruments/connection';

/** A socket that says and hears what the test wants. */
class FakeSocket {
  static made: FakeSocket[] = [];
  onopen?: () => void;
  onmessage?: (event: { data: string }) => void;
  onclose?: () => void;
  readonly sent: string[] = [];
  constructor(readonly url: string) {
    if (!/^wss?:/.test(url)) throw new SyntaxError('no address');
    FakeSocket.made.push(this);
  }
  send(line: string): void {
    this.sent.push(line);
  }
  close(): void {
    this.onclose?.();
  }
  says(...messages: readonly (object | string)[]): void {
    this.onmessage?.({ data: messages.map((m) => (typeof m === 'string' ? m : JSON.stringify(m))).join('\n') });
  }
}

const PAIRED = { address: 'ws://127.0.0.1:4190', code: '408152' };
const METER = { t: 'instrument', id: 'm2', kind: 'multimeter', title: 'Meter 2', serial: 'ZM-2207' };
const SHOWS = { t: 'shows', id: 'm2', function: 'v-ac', value: 26.1, unit: 'V', step: 0.01, over: false };
const SETUP = {
  power: true,
  gas: true,
  heatCall: true,
  unplugged: [],
  bypassed: [],
  actions: [],
  apart: [],
  repaired: [],
};

const real = globalThis.WebSocket;
beforeEach(() => {
  jest.useFakeTimers();
  FakeSocket.made = [];
  globalThis.WebSocket = FakeSocket as unknown as typeof WebSocket;
});
afterEach(() => {
  jest.useRealTimers();
  globalThis.WebSocket = real;
});

/** Somebody listens; what is heard so far, and the way to say something. */
function listened(to = PAIRED) {
  const connection = new Connection(to);
  const stop = connection.subscribe(() => undefined);
  const socket = (): FakeSocket => FakeSocket.made[FakeSocket.made.length - 1]!;
  return { connection, stop, socket, now: connection.snapshot };
}

test('it says the code, and hears who is there and what they show', () => {
  const { socket, now } = listened();
  expect(socket().url).toBe('ws://127.0.0.1:4190/instruments');
  socket().onopen!();
  expect(JSON.parse(socket().sent[0]!)).toEqual({ t: 'hello', protocol: 1, code: '408152' });
  expect(now().status).toBe('connecting');
  socket().says({ t: 'welcome', protocol: 1, name: 'Bench' }, METER, SHOWS);
  expect(now().status).toBe('connected');
  expect(now().instruments.map((i) => [i.card.title, i.shown.map((d) => d.value)])).toEqual([['Meter 2', [26.1]]]);
  socket().says({ t: 'gone', id: 'm2' });
  expect(now().instruments).toEqual([]);
});

test('garbage is said and left out; what was heard before stays', () => {
  const { socket, now } = listened();
  socket().says({ t: 'welcome', protocol: 1, name: 'Bench' }, METER, SHOWS);
  socket().says('{"t":"shows"');
  expect(now().garbled).toBe('it is not JSON');
  socket().says({ ...SHOWS, unit: 'furlongs' });
  expect(now().garbled).toMatch(/"unit" must be one of V/);
  socket().says({ ...SHOWS, id: 'm9' });
  expect(now().garbled).toMatch(/"m9" never introduced itself/);
  expect(now().status).toBe('connected');
  expect(now().instruments[0]!.shown).toHaveLength(1);
});

test('ten seconds are remembered of a display', () => {
  const { socket, now } = listened();
  socket().says({ t: 'welcome', protocol: 1, name: 'Bench' }, METER);
  for (let i = 0; i < 60; i++) {
    jest.advanceTimersByTime(250);
    socket().says({ ...SHOWS, value: i });
  }
  const { shown } = now().instruments[0]!;
  expect(shown[shown.length - 1]!.value).toBe(59);
  expect(shown.length).toBeLessThanOrEqual(41);
});

test('one that goes is lost and tried again; one that was never there is away', () => {
  const { socket, now } = listened();
  socket().onclose!();
  expect(now().status).toBe('away');
  jest.advanceTimersByTime(2100);
  expect(FakeSocket.made).toHaveLength(2);
  socket().says({ t: 'welcome', protocol: 1, name: 'Bench' }, METER);
  socket().onclose!();
  expect(now()).toMatchObject({ status: 'lost', instruments: [] });
  jest.advanceTimersByTime(2100);
  expect(FakeSocket.made).toHaveLength(3);
});

test('whoever is not let in is told why, and does not knock again by itself', () => {
  const { socket, now } = listened();
  socket().says({ t: 'refused', why: 'That is not the code.' });
  socket().onclose!();
  jest.advanceTimersByTime(10_000);
  expect(now()).toMatchObject({ status: 'refused', why: 'That is not the code.' });
  expect(FakeSocket.made).toHaveLength(1);
});

test('an address that is none is said', () => {
  const { now } = listened({ ...PAIRED, address: 'nowhere' });
  expect(now()).toMatchObject({ status: 'refused' });
  expect(now().why).toMatch(/nowhere is no address/);
});

test('a simulated machine follows the call, at once and after it was away; a real one does not', () => {
  const { connection, socket } = listened();
  const machines = (): unknown[] => socket().sent.filter((l) => l.includes('"machine"'));
  connection.follow(SETUP);
  socket().says({ t: 'welcome', protocol: 1, name: 'Meter' });
  expect(machines()).toHaveLength(0);
  socket().says({
    t: 'welcome',
    protocol: 1,
    name: 'Bench',
    simulates: { profile: 'furnace-condensing', machine: 'M' },
  });
  expect(machines()).toHaveLength(1);
  connection.follow({ ...SETUP, power: false });
  expect(machines()).toHaveLength(2);
});

test('when nobody listens any more, it is closed', () => {
  const { stop, socket, now } = listened();
  socket().says({ t: 'welcome', protocol: 1, name: 'Bench' }, METER);
  stop();
  expect(now()).toEqual({ status: 'connecting', instruments: [] });
  jest.advanceTimersByTime(10_000);
  expect(FakeSocket.made).toHaveLength(1);
});
