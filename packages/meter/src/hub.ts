import { createServer, type IncomingMessage, type Server } from 'node:http';
import type { AddressInfo, Socket } from 'node:net';
import { type FromInstruments, LONGEST_LINE, PROTOCOL, readToInstruments, toLine } from '@zetalysis/core/instruments';
import type { Express } from 'express';
import { WebSocket, WebSocketServer } from 'ws';
import type { Adapter } from './adapter';
import type { Pairing } from './pairing';

/** Whoever has not said the code after so long is sent away, milliseconds. */
const PATIENCE = 10_000;
/** More than this at once, and one of them is a mistake. */
const MOST_AT_ONCE = 20;

export interface HubOptions {
  readonly adapter: Adapter;
  readonly pairing: Pairing;
  /** Pages that may listen, by their origin; pages of this machine always may. */
  readonly origins: readonly string[];
  /** What is served over HTTP. */
  readonly app: Express;
}

/** The way on which somebody acts at a simulated bench: only from its own page. */
export type Hands = (socket: WebSocket) => void;

/** Serves the protocol of the instruments on loopback: whoever comes from a known page and says the code hears them. */
export class Hub {
  private readonly server: Server;
  private readonly sockets = new WebSocketServer({ noServer: true, maxPayload: LONGEST_LINE });
  private readonly listeners = new Set<WebSocket>();
  private readonly hands = new Map<string, Hands>();

  constructor(private readonly options: HubOptions) {
    this.server = createServer((request, response) => {
      // A name that only points at this machine is not its address (DNS rebinding).
      if (isLoopback(`http://${request.headers.host ?? ''}`)) return void options.app(request, response);
      response.writeHead(403).end();
    });
    this.server.on('upgrade', (request: IncomingMessage, socket: Socket, head) => this.upgrade(request, socket, head));
  }

  get count(): number {
    return this.listeners.size;
  }

  /** A further way in, for the page that is served here. */
  serve(path: string, hands: Hands): void {
    this.hands.set(path, hands);
  }

  /** Listens on loopback only; gives the port. */
  async open(port: number): Promise<number> {
    await new Promise<void>((resolve, reject) => {
      this.server.once('error', reject);
      this.server.listen(port, '127.0.0.1', resolve);
    });
    this.options.adapter.start((said) => this.tell(said));
    return (this.server.address() as AddressInfo).port;
  }

  async close(): Promise<void> {
    this.options.adapter.stop();
    for (const socket of this.sockets.clients) socket.terminate();
    await new Promise((resolve) => this.server.close(resolve));
  }

  private upgrade(request: IncomingMessage, socket: Socket, head: Buffer): void {
    const { origin = '', host = '' } = request.headers;
    const path = (request.url ?? '').split('?')[0]!;
    const hands = this.hands.get(path);
    const own = origin === `http://${host}`;
    const allowed = hands ? own : own || isLoopback(origin) || this.options.origins.includes(origin);
    const known = hands !== undefined || path === '/instruments';
    if (!known || !allowed || !isLoopback(`http://${host}`) || this.sockets.clients.size >= MOST_AT_ONCE) {
      socket.end(`HTTP/1.1 ${known ? '403 Forbidden' : '404 Not Found'}\r\nConnection: close\r\n\r\n`);
      return;
    }
    this.sockets.handleUpgrade(request, socket, head, (ws) => {
      ws.on('error', () => ws.terminate());
      if (hands) hands(ws);
      else this.welcome(ws);
    });
  }

  private welcome(ws: WebSocket): void {
    const { adapter, pairing } = this.options;
    const late = setTimeout(() => this.refuse(ws, 'The code was not said in time. Connect again.'), PATIENCE);
    ws.on('close', () => {
      clearTimeout(late);
      this.listeners.delete(ws);
    });
    ws.on('message', (data) => {
      for (const line of linesOf(data)) {
        const said = readToInstruments(line);
        if (said.t === 'garbled') return this.refuse(ws, `Not understood: ${said.why}.`);
        if (said.t === 'hello') {
          if (said.protocol !== PROTOCOL)
            return this.refuse(
              ws,
              `Protocol ${said.protocol} is not spoken here; ${PROTOCOL} is. Bring both up to date.`,
            );
          const why = pairing.refuses(said.code, Date.now());
          if (why !== undefined) return this.refuse(ws, why);
          clearTimeout(late);
          this.listeners.add(ws);
          const { name, simulates } = adapter;
          send(ws, { t: 'welcome', protocol: PROTOCOL, name, ...(simulates && { simulates }) });
          for (const card of adapter.instruments()) send(ws, { t: 'instrument', ...card });
        } else if (this.listeners.has(ws)) adapter.follow?.(said);
        else return this.refuse(ws, 'Say the code first.');
      }
    });
  }

  private tell(said: FromInstruments): void {
    for (const ws of this.listeners) send(ws, said);
  }

  private refuse(ws: WebSocket, why: string): void {
    send(ws, { t: 'refused', why });
    ws.close(1008);
  }
}

/** More than this is waiting for somebody who does not read any more, bytes. */
const STUCK = 1_000_000;

function send(ws: WebSocket, said: FromInstruments): void {
  if (ws.bufferedAmount > STUCK) return ws.terminate();
  if (ws.readyState === WebSocket.OPEN) ws.send(`${toLine(said)}\n`);
}

/** One message may hold several lines. */
export const linesOf = (data: unknown): readonly string[] =>
  String(data)
    .split('\n')
    .filter((line) => line.trim() !== '');

function isLoopback(origin: string): boolean {
  try {
    return ['127.0.0.1', 'localhost', '[::1]'].includes(new URL(origin).hostname);
  } catch {
    return false;
  }
}
