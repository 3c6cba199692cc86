import {
  type Display,
  type InstrumentCard,
  type MachineSetup,
  PROTOCOL,
  readFromInstruments,
  toLine,
} from '@zetalysis/core/instruments';
import type { Paired } from './paired';

/** How one stands with the instruments. */
export interface Connected {
  /** `away`: there are none at that address; `lost`: there were. */
  readonly status: 'connecting' | 'connected' | 'away' | 'lost' | 'refused';
  /** Why they do not let one in. */
  readonly why?: string;
  /** The appliance they simulate; nothing where they are real. */
  readonly simulates?: { readonly profile: string; readonly machine: string };
  readonly instruments: readonly Heard[];
  /** The last thing that could not be understood. */
  readonly garbled?: string;
}

export interface Heard {
  readonly card: InstrumentCard;
  /** What it showed for the last ten seconds, the newest last. */
  readonly shown: readonly Display[];
}

/** Tried again after so long, milliseconds. */
const AGAIN = 2000;
/** What is remembered of a display, milliseconds. */
const REMEMBERED = 10_000;

/** Hears the instruments, for as long as somebody listens; tries again when they are away. */
export class Connection {
  private now: Connected = { status: 'connecting', instruments: [] };
  private readonly listeners = new Set<() => void>();
  private socket: WebSocket | undefined;
  private again: ReturnType<typeof setTimeout> | undefined;
  private setup: MachineSetup | undefined;

  constructor(private readonly to: Paired) {}

  readonly snapshot = (): Connected => this.now;

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    if (this.listeners.size === 1) this.open();
    return () => {
      this.listeners.delete(listener);
      if (this.listeners.size === 0) this.close();
    };
  };

  /** How the call says that the machine stands: a simulated one follows. */
  follow(setup: MachineSetup): void {
    this.setup = setup;
    if (this.now.status === 'connected' && this.now.simulates) this.socket?.send(toLine({ t: 'machine', ...setup }));
  }

  private open(): void {
    let socket: WebSocket;
    try {
      socket = new WebSocket(`${this.to.address.replace(/\/$/, '')}/instruments`);
    } catch {
      return this.set({
        status: 'refused',
        why: `${this.to.address} is no address; it is like ws://127.0.0.1:4190`,
        instruments: [],
      });
    }
    this.socket = socket;
    socket.onopen = () => socket.send(toLine({ t: 'hello', protocol: PROTOCOL, code: this.to.code }));
    socket.onmessage = ({ data }) => {
      for (const line of String(data).split('\n')) if (line.trim() !== '') this.hear(line);
    };
    socket.onclose = () => {
      if (this.socket !== socket || this.now.status === 'refused') return;
      const had = this.now.status === 'connected' || this.now.status === 'lost';
      this.set({ ...this.now, status: had ? 'lost' : 'away', instruments: [] });
      this.again = setTimeout(() => this.open(), AGAIN);
    };
  }

  private close(): void {
    clearTimeout(this.again);
    const { socket } = this;
    this.socket = undefined;
    socket?.close();
    this.now = { status: 'connecting', instruments: [] };
  }

  private hear(line: string): void {
    const said = readFromInstruments(line);
    const { instruments } = this.now;
    switch (said.t) {
      case 'garbled':
        return this.set({ ...this.now, garbled: said.why });
      case 'refused':
        return this.set({ status: 'refused', why: said.why, instruments: [] });
      case 'welcome':
        this.set({ status: 'connected', ...(said.simulates && { simulates: said.simulates }), instruments });
        if (this.setup) this.follow(this.setup);
        return;
      case 'instrument': {
        const { t: _t, ...card } = said;
        return this.set({
          ...this.now,
          instruments: [...instruments.filter((i) => i.card.id !== card.id), { card, shown: [] }],
        });
      }
      case 'gone':
        return this.set({ ...this.now, instruments: instruments.filter((i) => i.card.id !== said.id) });
      case 'shows': {
        if (!instruments.some((i) => i.card.id === said.id))
          return this.set({ ...this.now, garbled: `"${said.id}" never introduced itself` });
        const at = Date.now();
        const { function: set, value, unit, step, over } = said;
        const shown: Display = { at, function: set, value: value ?? undefined, unit, step, over };
        return this.set({
          ...this.now,
          instruments: instruments.map((i) =>
            i.card.id === said.id ? { ...i, shown: [...i.shown.filter((d) => d.at > at - REMEMBERED), shown] } : i,
          ),
        });
      }
    }
  }

  private set(now: Connected): void {
    this.now = now;
    for (const listener of this.listeners) listener();
  }
}
