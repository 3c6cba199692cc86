// A client of the server as the scripts need it: signs in, sends, reads; every answer with its status.
import { setTimeout as wait } from 'node:timers/promises';
import type { CallEvent, EventBody } from '@zetalysis/core/visit';
import type { NumberedEvent, Taken } from '@zetalysis/contract';
import { v7 } from 'uuid';

interface Answer<T> {
  /** Nought when there was none. */
  readonly status: number;
  readonly body: T;
}

/** Somebody signed in at a server that may come and go. */
export class Client {
  #headers: Record<string, string> = {};
  inFlight = 0;

  constructor(
    readonly url: string,
    readonly name: string,
  ) {}

  async signIn(password = 'cold-morning'): Promise<void> {
    const reply = await fetch(`${this.url}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name: this.name, password }),
    });
    if (reply.status !== 200) throw new Error(`${this.name} cannot sign in: ${reply.status} ${await reply.text()}`);
    const cookie = reply.headers
      .getSetCookie()
      .map((c) => c.split(';')[0]!)
      .join('; ');
    this.#headers = { cookie, 'x-session-key': ((await reply.json()) as { key: string }).key };
  }

  /** Asks once. */
  async ask<T>(method: string, path: string, body?: unknown): Promise<Answer<T>> {
    this.inFlight++;
    try {
      const reply = await fetch(`${this.url}/api${path}`, {
        method,
        headers: { ...this.#headers, ...(body === undefined ? {} : { 'content-type': 'application/json' }) },
        ...(body === undefined ? {} : { body: JSON.stringify(body) }),
        signal: AbortSignal.timeout(20_000),
      });
      const text = await reply.text();
      return { status: reply.status, body: (text === '' ? undefined : JSON.parse(text)) as T };
    } catch {
      return { status: 0, body: undefined as T };
    } finally {
      this.inFlight--;
    }
  }

  /** Asks until the server answers with something else than that it is away. */
  async askOn<T>(method: string, path: string, body?: unknown): Promise<Answer<T>> {
    for (;;) {
      const answer = await this.ask<T>(method, path, body);
      if (answer.status !== 0 && answer.status !== 503) return answer;
      await wait(50 + Math.random() * 100);
    }
  }

  entry(call: string, seq: number, body: EventBody): CallEvent {
    return { id: v7(), call, seq, at: new Date().toISOString(), device: 'script', person: this.name, body };
  }

  send = (call: string, events: readonly CallEvent[]): Promise<Answer<Taken>> =>
    this.askOn('POST', `/calls/${call}/events`, { events });

  after = (call: string, number: number): Promise<Answer<{ entries: NumberedEvent[]; last: number }>> =>
    this.askOn('GET', `/calls/${call}/events?after=${number}`);
}
