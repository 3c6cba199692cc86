import {
  type Authority,
  EVERYTHING,
  type Family,
  follow,
  type Followed,
  type Grant,
  type Happening,
  type Pressed,
  type What,
} from '../src/rules';

const DAY = Date.UTC(2026, 10, 28);

export const A: Authority = { role: 'apprentice', grants: [] };
export const T: Authority = { role: 'technician', grants: ['line', 'gas', 'bypass', 'combustion', 'steam'] as Grant[] };
export const L: Authority = { ...EVERYTHING };
export const AD: Authority = { role: 'admin', grants: [] };

const NAMES = new Map<Authority, string>([
  [A, 'bea'],
  [T, 'imre'],
  [L, 'rosa'],
  [AD, 'office'],
]);

/** A call told entry by entry: who says what at which time of the day. */
export class ToldCall {
  readonly #entries: Happening[] = [];
  #at = clock('09:00');
  #setup = { gas: true, power: true, call: true };
  #bypasses: { id: string; title: string; kind: string; found?: boolean }[] = [];
  #apart: { id: string; title: string; kind: 'plug' }[] = [];

  constructor(
    readonly family: Family,
    private readonly before: readonly Pressed[] = [],
  ) {}

  at(time: string): this {
    this.#at = clock(time);
    return this;
  }

  /** Minutes later. */
  after(minutes: number): this {
    this.#at += minutes * 60_000;
    return this;
  }

  note(what: What, by: Authority = T, entered = this.#at): this {
    this.#entries.push({
      id: `e${this.#entries.length + 1}`,
      at: this.#at,
      entered,
      person: NAMES.get(by) ?? by.role,
      by,
      struck: false,
      what,
    });
    return this;
  }

  says(fact: string, value: string | number, by: Authority = T): this {
    return this.note({ type: 'fact', fact, value }, by);
  }

  set(change: { gas?: boolean; power?: boolean; call?: boolean }, by: Authority = T): this {
    this.#setup = { ...this.#setup, ...change };
    return this.#noteSetup(by);
  }

  bypass(kind: string, by: Authority = T, entered?: string, id = kind): this {
    this.#bypasses = [...this.#bypasses, { id, title: id, kind }];
    return this.#noteSetup(by, entered);
  }

  bypassOff(by: Authority = T, entered?: string): this {
    this.#bypasses = [];
    return this.#noteSetup(by, entered);
  }

  unplug(id: string): this {
    this.#apart = [...this.#apart, { id, title: id, kind: 'plug' }];
    return this.#noteSetup(T);
  }

  needs(need: string, of?: string, by: Authority = T): this {
    return this.note({ type: 'need', need, ...(of !== undefined && { of }), answer: 'met' }, by);
  }

  reset(safety: string, by: Authority = T): this {
    return this.note({ type: 'reset', safety, kind: safety, title: safety }, by);
  }

  cause(safety: string, mended: boolean): this {
    return this.note({ type: 'cause', safety, mended });
  }

  /** Takes the newest entry back that was of a fact. */
  takeBack(by: Authority): this {
    const target = this.#entries.findLast((e) => e.what.type === 'fact')!;
    this.#entries[this.#entries.indexOf(target)] = { ...target, struck: true };
    return this.note({ type: 'retracted', event: target.id }, by);
  }

  countersign(by: Authority, says: 'yes' | 'no' = 'yes'): this {
    return this.note({ type: 'countersigned', event: this.#entries.at(-1)!.id, says }, by);
  }

  get newest(): string {
    return this.#entries.at(-1)!.id;
  }

  /** What the rules say now, or at a time. */
  now(time?: string): Followed {
    return follow(this.#entries, {
      family: this.family,
      now: time === undefined ? this.#at : clock(time),
      before: this.before,
    });
  }

  #noteSetup(by: Authority, entered?: string): this {
    return this.note(
      { type: 'setup', ...this.#setup, bypasses: this.#bypasses, apart: this.#apart },
      by,
      entered === undefined ? undefined : clock(entered),
    );
  }
}

const clock = (time: string): number => {
  const [hours, minutes] = time.split(':').map(Number);
  return DAY + (hours! * 60 + minutes!) * 60_000;
};

export const today = clock;

/** The stops that stand, gravest first. */
export const stopsOf = (followed: Followed): string[] => followed.stops.map(({ stop }) => stop.id);
