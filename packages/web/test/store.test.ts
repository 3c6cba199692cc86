import './browser';
import type { CallEvent } from '@zetalysis/core/visit';
import { local, onNews } from '../src/store/local';
import { pull, push } from '../src/store/sync';

/** A server of the test's own: keeps what it accepts, and says no in the ways that matter. */
class FakeServer {
  readonly kept: CallEvent[] = [];
  readonly posts: number[] = [];
  /** Answers with these before it answers as usual: a status, or nothing at all. */
  trouble: (number | 'unreachable' | 'answer lost')[] = [];
  refuses: (event: CallEvent) => boolean = () => false;
  pageSize = 1000;

  readonly fetch = (path: string, init: { method: string; body?: string }): Promise<Response> => {
    const trouble = this.trouble.shift();
    if (trouble === 'unreachable') return Promise.reject(new TypeError('failed to fetch'));
    if (typeof trouble === 'number') return Promise.resolve(this.problem(trouble));
    if (init.method === 'GET') return Promise.resolve(this.page(Number(path.split('after=')[1])));
    const { events } = JSON.parse(init.body!) as { events: CallEvent[] };
    this.posts.push(events.length);
    if (events.some(this.refuses)) return Promise.resolve(this.problem(422));
    for (const event of events) if (!this.kept.some((k) => k.id === event.id)) this.kept.push(event);
    if (trouble === 'answer lost') return Promise.reject(new TypeError('network changed'));
    return Promise.resolve(this.json({ accepted: events.length }));
  };

  private page(after: number): Response {
    const events = this.kept.slice(after, after + this.pageSize);
    const cursor = after + events.length;
    return this.json({ events, cursor, more: cursor < this.kept.length });
  }

  private json(body: unknown, status = 200): Response {
    return new Response(JSON.stringify(body), { status, headers: { 'content-type': 'application/json' } });
  }

  private problem(status: number): Response {
    return this.json({ title: 'No', detail: `The server said ${status}.` }, status);
  }
}

let server: FakeServer;
let call = '';
let calls = 0;
const event = (seq: number, text = `note ${seq}`): CallEvent => ({
  id: `${call}-${seq}`,
  call,
  seq,
  at: '2026-01-05T08:00:00Z',
  device: 'bench',
  person: 'imre',
  body: { type: 'note', text },
});
const keep = async (...seqs: number[]): Promise<void> => {
  for (const seq of seqs) await local.append(event(seq));
};
const ofCall = async () => (await local.events(call)).sort((a, b) => a.event.seq - b.event.seq);

beforeEach(() => {
  server = new FakeServer();
  call = `call-${++calls}`;
  globalThis.fetch = server.fetch as unknown as typeof fetch;
});

describe('sending', () => {
  test('what is kept goes out in the order it was made, and is then called sent', async () => {
    await keep(2, 1, 3);
    expect((await ofCall()).map((k) => k.sent)).toEqual([0, 0, 0]);
    expect(await push(call)).toEqual({ kind: 'sent' });
    expect(server.kept.map((e) => e.seq)).toEqual([1, 2, 3]);
    expect((await ofCall()).map((k) => k.sent)).toEqual([1, 1, 1]);
  });

  test('nothing to send is nothing sent', async () => {
    expect(await push(call)).toEqual({ kind: 'sent' });
    expect(server.posts).toEqual([]);
  });

  test('a long stretch without the server goes out in batches, all of it', async () => {
    await keep(...Array.from({ length: 230 }, (_, i) => i + 1));
    expect(await push(call)).toEqual({ kind: 'sent' });
    expect(server.posts).toEqual([100, 100, 30]);
    expect(server.kept).toHaveLength(230);
  });

  test('events of another call are left alone', async () => {
    await keep(1);
    const other = { ...event(1), id: 'elsewhere-1', call: 'elsewhere' };
    await local.append(other);
    await push(call);
    expect(server.kept.map((e) => e.call)).toEqual([call]);
    expect((await local.unsent()).map((k) => k.id)).toContain('elsewhere-1');
    await local.markSent(['elsewhere-1']);
  });

  test.each([
    ['unreachable' as const, 'away'],
    [503, 'away'],
    [429, 'away'],
    [401, 'signed-out'],
  ])('%s: everything stays, and is sent the next time', async (trouble, kind) => {
    await keep(1, 2);
    server.trouble = [trouble];
    expect(await push(call)).toMatchObject({ kind, waiting: 2 });
    expect((await ofCall()).map((k) => k.sent)).toEqual([0, 0]);
    expect(await push(call)).toEqual({ kind: 'sent' });
    expect(server.kept).toHaveLength(2);
  });

  test('an answer that was lost does no harm: the event is there once', async () => {
    await keep(1);
    server.trouble = ['answer lost'];
    expect(await push(call)).toMatchObject({ kind: 'away' });
    expect(await push(call)).toEqual({ kind: 'sent' });
    expect(server.kept.map((e) => e.id)).toEqual([`${call}-1`]);
  });

  test('one event that the server refuses does not hold up the others, and is not lost', async () => {
    await keep(1, 2, 3);
    server.refuses = (e) => e.seq === 2;
    expect(await push(call)).toEqual({ kind: 'refused', waiting: 1, words: 'The server said 422.' });
    expect(server.kept.map((e) => e.seq)).toEqual([1, 3]);
    expect((await ofCall()).map((k) => [k.sent, k.refused])).toEqual([
      [1, undefined],
      [0, 'The server said 422.'],
      [1, undefined],
    ]);
    // Later ones still go out, and the refused one is not tried again and again.
    const before = server.posts.length;
    await keep(4);
    expect(await push(call)).toMatchObject({ kind: 'refused' });
    expect(server.kept.map((e) => e.seq)).toEqual([1, 3, 4]);
    expect(server.posts.slice(before)).toEqual([1]);
  });

  test('the server goes away in the middle of sending singly: nothing is marked refused that was not', async () => {
    await keep(1, 2, 3);
    server.trouble = [422, 503];
    expect(await push(call)).toEqual({ kind: 'sent' });
    expect(server.kept.map((e) => e.seq).sort()).toEqual([1, 2, 3]);
    expect((await ofCall()).some((k) => k.refused !== undefined)).toBe(false);
  });
});

describe('fetching', () => {
  test('what others entered comes page by page, and only once', async () => {
    server.kept.push(...[1, 2, 3, 4, 5].map((seq) => event(seq)));
    server.pageSize = 2;
    await pull(call);
    expect((await ofCall()).map((k) => k.event.seq)).toEqual([1, 2, 3, 4, 5]);
    expect(await local.cursor(call)).toBe(5);
    server.kept.push(event(6));
    await pull(call);
    expect((await ofCall()).map((k) => k.sent)).toEqual([1, 1, 1, 1, 1, 1]);
  });

  test('one’s own event that comes back counts as sent', async () => {
    await keep(1);
    server.kept.push(event(1));
    await pull(call);
    expect((await ofCall()).map((k) => k.sent)).toEqual([1]);
    expect((await local.unsent()).filter((k) => k.call === call)).toEqual([]);
  });

  test('a server that cannot be reached leaves the cursor where it was', async () => {
    server.kept.push(event(1));
    server.trouble = ['unreachable'];
    await expect(pull(call)).rejects.toThrow(/cannot be reached.*kept here/s);
    expect(await local.cursor(call)).toBe(0);
    await pull(call);
    expect(await local.cursor(call)).toBe(1);
  });

  test('an answer that is no JSON is an error with words, not an empty log', async () => {
    globalThis.fetch = () => Promise.resolve(new Response('<html>proxy</html>', { status: 200 }));
    await expect(pull(call)).rejects.toThrow(/answered 200/);
  });
});

describe('news', () => {
  test('whoever listens hears of a new event, and no more after leaving', async () => {
    const heard: string[] = [];
    const leave = onNews((id) => heard.push(id));
    await keep(1);
    leave();
    await keep(2);
    expect(heard).toEqual([call]);
  });

  test('what is known already is no news', async () => {
    server.kept.push(event(1));
    await pull(call);
    const heard: string[] = [];
    const leave = onNews((id) => heard.push(id));
    await local.receive(call, [event(1)], 1);
    leave();
    expect(heard).toEqual([]);
  });
});
