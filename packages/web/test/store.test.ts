import './browser';
import type { CallEvent } from '@zetalysis/core/visit';
import { database } from '../src/store/database';
import { local, onNews } from '../src/store/local';
import { sendAll, standing } from '../src/store/outbox';
import { pull } from '../src/store/pull';

/** A server of the test's own: keeps what it accepts, and says no in the ways that matter. */
class FakeServer {
  kept: CallEvent[] = [];
  readonly posts: number[] = [];
  /** Answers with these before it answers as usual: a status, or nothing at all. */
  trouble: (number | 'unreachable' | 'answer lost')[] = [];
  /** Does not understand a batch that has one of these. */
  unreadable: (event: CallEvent) => boolean = () => false;
  /** Understands these, and says no to each by itself. */
  refuses: (event: CallEvent) => boolean = () => false;
  pageSize = 1000;

  readonly fetch = (path: string, init: { method: string; body?: string }): Promise<Response> => {
    const trouble = this.trouble.shift();
    if (trouble === 'unreachable') return Promise.reject(new TypeError('failed to fetch'));
    if (typeof trouble === 'number') return Promise.resolve(this.problem(trouble));
    const id = path.split('/')[3]!;
    if (init.method === 'GET') return Promise.resolve(this.page(id, Number(path.split('after=')[1])));
    const { events } = JSON.parse(init.body!) as { events: CallEvent[] };
    this.posts.push(events.length);
    if (events.some(this.unreadable)) return Promise.resolve(this.problem(422));
    const good = events.filter((e) => !this.refuses(e));
    for (const event of good) if (!this.kept.some((k) => k.id === event.id)) this.kept.push(event);
    if (trouble === 'answer lost') return Promise.reject(new TypeError('network changed'));
    const refused = events
      .filter(this.refuses)
      .map((e) => ({ id: e.id, status: 400, title: 'No', detail: 'The server said no.' }));
    return Promise.resolve(
      this.json({ acknowledged: good.map((e) => ({ id: e.id, number: this.numberOf(e) })), refused }),
    );
  };

  private ofCall(id: string): CallEvent[] {
    return this.kept.filter((e) => e.call === id);
  }

  private numberOf(event: CallEvent): number {
    return this.ofCall(event.call).findIndex((k) => k.id === event.id) + 1;
  }

  private page(id: string, after: number): Response {
    const all = this.ofCall(id);
    const entries = all.slice(after, after + this.pageSize).map((event) => ({ event, number: this.numberOf(event) }));
    return this.json({ entries, last: all.length });
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
/** A technician of each test's own, so that no test sees what waits from another. */
let me = '';
let calls = 0;
const event = (seq: number, text = `note ${seq}`, person = me): CallEvent => ({
  id: `${call}-${seq}`,
  call,
  seq,
  at: '2026-01-05T08:00:00Z',
  device: 'bench',
  person,
  body: { type: 'note', text },
});
const keep = async (...seqs: number[]): Promise<void> => {
  for (const seq of seqs) await local.append(event(seq));
};
const ofCall = async () => (await local.events(call, me)).sort((a, b) => a.event.seq - b.event.seq);

beforeEach(() => {
  server = new FakeServer();
  call = `call-${++calls}`;
  me = `imre-${calls}`;
  globalThis.fetch = server.fetch as unknown as typeof fetch;
});

describe('sending', () => {
  test('what is kept goes out in the order it was made, and is then called sent', async () => {
    await keep(2, 1, 3);
    expect((await ofCall()).map((k) => k.sent)).toEqual([0, 0, 0]);
    expect(await sendAll(me)).toEqual({ kind: 'sent' });
    expect(server.kept.map((e) => e.seq)).toEqual([1, 2, 3]);
    expect((await ofCall()).map((k) => k.sent)).toEqual([1, 1, 1]);
  });

  test('nothing to send is nothing sent', async () => {
    expect(await sendAll(me)).toEqual({ kind: 'sent' });
    expect(server.posts).toEqual([]);
  });

  test('a long stretch without the server goes out in batches, all of it', async () => {
    await keep(...Array.from({ length: 230 }, (_, i) => i + 1));
    expect(await sendAll(me)).toEqual({ kind: 'sent' });
    expect(server.posts).toEqual([100, 100, 30]);
    expect(server.kept).toHaveLength(230);
  });

  test('what waits goes out whatever call it is of', async () => {
    await keep(1);
    await local.append({ ...event(1), id: `${call}-elsewhere`, call: `${call}-elsewhere` });
    expect(await sendAll(me)).toEqual({ kind: 'sent' });
    expect(server.kept.map((e) => e.call).sort()).toEqual([call, `${call}-elsewhere`]);
  });

  test('what somebody else made here is neither seen, nor sent, nor in the way; and goes out when they are back', async () => {
    await keep(1);
    await local.append(event(2, 'between us', 'bea-of-' + call));
    expect((await ofCall()).map((k) => k.event.seq)).toEqual([1]);
    expect(await sendAll(me)).toEqual({ kind: 'sent' });
    expect(server.kept.map((e) => e.seq)).toEqual([1]);
    expect(await sendAll('bea-of-' + call)).toEqual({ kind: 'sent' });
    expect(server.kept.map((e) => e.person)).toEqual([me, 'bea-of-' + call]);
    expect((await ofCall()).map((k) => k.event.seq)).toEqual([1, 2]);
  });

  test.each([
    ['unreachable' as const, 'away'],
    [503, 'away'],
    [429, 'away'],
    [401, 'signed-out'],
  ])('%s: everything stays, and is sent the next time', async (trouble, kind) => {
    await keep(1, 2);
    server.trouble = [trouble];
    expect(await sendAll(me)).toMatchObject({ kind, waiting: 2 });
    expect((await ofCall()).map((k) => k.sent)).toEqual([0, 0]);
    expect(await sendAll(me)).toEqual({ kind: 'sent' });
    expect(server.kept).toHaveLength(2);
  });

  test('an answer that was lost does no harm: the event is there once', async () => {
    await keep(1);
    server.trouble = ['answer lost'];
    expect(await sendAll(me)).toMatchObject({ kind: 'away' });
    expect(await sendAll(me)).toEqual({ kind: 'sent' });
    expect(server.kept.map((e) => e.id)).toEqual([`${call}-1`]);
  });

  test('one event that the server refuses does not hold up the others, and is not lost', async () => {
    await keep(1, 2, 3);
    server.unreadable = (e) => e.seq === 2;
    expect(await sendAll(me)).toEqual({ kind: 'refused', waiting: 1, words: 'The server said 422.' });
    expect(server.kept.map((e) => e.seq)).toEqual([1, 3]);
    expect((await ofCall()).map((k) => [k.sent, k.refused])).toEqual([
      [1, undefined],
      [0, 'The server said 422.'],
      [1, undefined],
    ]);
    // Later ones still go out, and the refused one is not tried again and again.
    const before = server.posts.length;
    await keep(4);
    expect(await sendAll(me)).toMatchObject({ kind: 'refused' });
    expect(server.kept.map((e) => e.seq)).toEqual([1, 3, 4]);
    expect(server.posts.slice(before)).toEqual([1]);
  });

  test('one that the server says no to by itself stays with its words, and goes out when it is tried again', async () => {
    await keep(1, 2, 3);
    server.refuses = (e) => e.seq === 2;
    expect(await sendAll(me)).toEqual({ kind: 'refused', waiting: 1, words: 'The server said no.' });
    expect(server.posts).toEqual([3]);
    server.refuses = () => false;
    await local.tryAgain(me);
    expect(await sendAll(me)).toEqual({ kind: 'sent' });
    expect(server.kept.map((e) => e.seq)).toEqual([1, 3, 2]);
  });

  test('the server goes away in the middle of sending singly: nothing is marked refused that was not', async () => {
    await keep(1, 2, 3);
    server.trouble = [422, 503];
    expect(await sendAll(me)).toMatchObject({ kind: 'away', waiting: 3 });
    expect((await ofCall()).some((k) => k.refused !== undefined)).toBe(false);
    expect(await sendAll(me)).toEqual({ kind: 'sent' });
    expect(server.kept.map((e) => e.seq).sort()).toEqual([1, 2, 3]);
  });

  test('a browser that cannot mark an entry as sent sends the others all the same, and that one not again', async () => {
    await keep(1, 2);
    const put = IDBObjectStore.prototype.put;
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
    try {
      expect(await sendAll(me)).toEqual({ kind: 'sent' });
      expect(await sendAll(me)).toEqual({ kind: 'sent' });
    } finally {
      IDBObjectStore.prototype.put = put;
    }
    expect(server.posts).toEqual([2]);
  });

  test('an entry that cannot be written is not called kept', async () => {
    const put = IDBObjectStore.prototype.put;
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
    try {
      await expect(local.append(event(1))).rejects.toThrow('full');
    } finally {
      IDBObjectStore.prototype.put = put;
    }
    expect(await ofCall()).toEqual([]);
    expect(await standing(me)).toEqual({ kind: 'sent' });
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
    expect((await local.waiting(me)).events).toEqual([]);
  });

  test('a server that cannot be reached leaves the cursor where it was', async () => {
    server.kept.push(event(1));
    server.trouble = ['unreachable'];
    await expect(pull(call)).rejects.toThrow(/cannot be reached.*kept here/s);
    expect(await local.cursor(call)).toBe(0);
    await pull(call);
    expect(await local.cursor(call)).toBe(1);
  });

  test('an entry that got lost here is fetched again', async () => {
    server.kept.push(...[1, 2, 3].map((seq) => event(seq)));
    await pull(call);
    await (await database()).delete('events', `${call}-2`);
    await pull(call);
    expect((await ofCall()).map((k) => [k.event.seq, k.number])).toEqual([
      [1, 1],
      [2, 2],
      [3, 3],
    ]);
  });

  test('a server that went back in time gets again what was made here', async () => {
    await keep(1, 2, 3);
    await sendAll(me);
    await pull(call);
    server.kept = server.kept.slice(0, 1);
    await pull(call);
    expect((await ofCall()).map((k) => k.sent)).toEqual([1, 0, 0]);
  });

  test('words that were taken out at the server are dropped here too', async () => {
    server.kept.push(event(1, 'a name and a number'));
    await pull(call);
    server.kept.push({ ...event(2), body: { type: 'redacted', event: `${call}-1`, hash: 'f'.repeat(64) } });
    await pull(call);
    expect((await ofCall())[0]!.event.body).toEqual({ type: 'note', text: '(taken out)' });
    expect(JSON.stringify(await ofCall())).not.toContain('a name');
  });

  test('an answer that is no JSON is an error with words, not an empty log', async () => {
    globalThis.fetch = () => Promise.resolve(new Response('<html>proxy</html>', { status: 200 }));
    await expect(pull(call)).rejects.toThrow(/answered 200/);
  });
});

describe('news', () => {
  test('whoever listens hears of a new event, and no more after leaving', async () => {
    const heard: string[] = [];
    const leave = onNews((news) => heard.push(news.call));
    await keep(1);
    leave();
    await keep(2);
    expect(heard).toEqual([call]);
  });

  test('what is known already is no news', async () => {
    server.kept.push(event(1));
    await pull(call);
    const heard: string[] = [];
    const leave = onNews((news) => heard.push(news.call));
    await local.receive(call, [{ event: event(1), number: 1 }], 1);
    leave();
    expect(heard).toEqual([]);
  });
});
