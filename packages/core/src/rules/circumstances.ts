import type { FactValue } from './facts';
import { type Family, hasGas, hasPower } from './family';
import type { Happening, Jumper, Thing } from './happening';

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;

/** Something that was said, and when. */
interface Said {
  readonly value: FactValue;
  readonly at: number;
  /** How long the burner could have fired until then, milliseconds. */
  readonly fired: number;
}

/** A safety that is gone round now. */
export interface Placed extends Thing {
  readonly kind: string;
  /** What it is to show; '' where nobody said. */
  readonly why: string;
  readonly by: string;
  readonly event: string;
  readonly since: number;
  /** Found like that: nobody placed it for a test. */
  readonly found: boolean;
  /** How often this one was gone round in the call, this time included. */
  readonly times: number;
}

/** Something that is there for now and has to be undone. */
export interface Standing extends Thing {
  readonly kind: TemporaryKind;
  readonly by: string;
  readonly since: number;
}

/** What can be there for now, beside bypasses. */
export const TEMPORARY_KINDS = ['plug', 'lead', 'part-out', 'joint', 'panel', 'action', 'adjustment'] as const;
export type TemporaryKind = (typeof TEMPORARY_KINDS)[number];

/** A reset that was pressed. */
export interface Pressed {
  readonly safety: string;
  readonly kind: string;
  readonly title: string;
  readonly at: number;
  readonly event: string;
}

/** What became of the question why a safety opened. */
interface Cause {
  readonly at: number;
  readonly mended: boolean;
}

interface Met {
  readonly at: number;
  readonly fired: number;
  readonly by: string;
  readonly declined?: 'cannot' | 'wont';
}

/** What is known of an appliance and of the work on it at one moment. Changes only while a log is followed. */
export class Circumstances {
  now = 0;
  gas = true;
  power = true;
  call = true;
  /** When gas and power were noted; nothing while nobody said. */
  gasSince: number | undefined;
  powerSince: number | undefined;
  readonly said = new Map<string, Said>();
  bypasses: readonly Placed[] = [];
  readonly timesBypassed = new Map<string, number>();
  readonly temporary = new Map<string, Standing>();
  readonly resets: Pressed[] = [];
  readonly causes = new Map<string, Cause>();
  readonly needs = new Map<string, Met>();
  /** Times of tries without a flame since the last five minutes of waiting, and how many there were in the call. */
  tries: number[] = [];
  triesInCall = 0;
  /** Parts and lists of proof that were touched. */
  readonly touched = new Set<string>();
  readonly repaired = new Map<string, string>();
  /** When something was repaired last, and how long it could have fired until then, milliseconds. */
  repairedAt: { readonly at: number; readonly fired: number } | undefined;
  /** Set, opened, reset, adjusted or repaired, so that the call was no mistake. */
  worked = false;
  #fired = 0;

  constructor(
    readonly family: Family | undefined,
    begins: number,
  ) {
    this.now = begins;
  }

  /** Time goes on; while everything is on the burner may fire. */
  advance(to: number): void {
    const passed = Math.max(0, to - this.now);
    if (this.mayFire) this.#fired += passed;
    this.now = Math.max(this.now, to);
  }

  /** How long the burner could have fired so far, milliseconds. */
  get fired(): number {
    return this.#fired;
  }

  /** Whether it burns gas at all. */
  get mayBurn(): boolean {
    return hasGas(this.family);
  }

  get mayFire(): boolean {
    return this.call && (this.gas || !hasGas(this.family)) && (this.power || !hasPower(this.family));
  }

  /** Gas off and power off, both noted; what the family lacks counts as off. */
  get dead(): boolean {
    const gasOff = !hasGas(this.family) || (!this.gas && this.gasSince !== undefined);
    const powerOff = !hasPower(this.family) || (!this.power && this.powerSince !== undefined);
    return gasOff && powerOff;
  }

  /** Main gas cannot come: the cock is shut, or the knob stands at pilot. */
  get gasHeld(): boolean {
    return !this.gas || !hasGas(this.family) || this.need('held') !== undefined;
  }

  is(fact: string, ...values: readonly string[]): boolean {
    const value = this.said.get(fact)?.value;
    return typeof value === 'string' && values.includes(value);
  }

  /** A number that was said; nothing when none was. */
  number(fact: string): number | undefined {
    const value = this.said.get(fact)?.value;
    return typeof value === 'number' ? value : undefined;
  }

  saidWithin(fact: string, duration: number): boolean {
    const said = this.said.get(fact);
    return said !== undefined && this.now - said.at <= duration;
  }

  /** Over 50 °C, or unmeasured and not known unfired for two hours. */
  get hot(): boolean {
    const temp = this.said.get('temp');
    const casing = this.said.get('casing');
    const newest = [temp, casing]
      .filter((s) => s !== undefined && s.value !== 'cannot-tell' && this.#fired - s.fired < 5 * MINUTE)
      .sort((a, b) => b!.at - a!.at)[0];
    if (newest) return typeof newest.value === 'number' ? newest.value > 50 : newest.value === 'hot';
    if (this.is('unfired', 'yes')) return false;
    return !(this.dead && this.deadFor >= 2 * HOUR);
  }

  /** How long gas and power have been off, milliseconds; nought while one is on. */
  get deadFor(): number {
    if (!this.dead) return 0;
    return this.now - Math.max(this.gasSince ?? -Infinity, this.powerSince ?? -Infinity);
  }

  need(key: string): Met | undefined {
    const met = this.needs.get(key);
    return met?.declined === undefined ? met : undefined;
  }

  holdsWithin(key: string, duration: number): boolean {
    const met = this.need(key);
    return met !== undefined && this.now - met.at <= duration;
  }

  note(key: string, by: string, declined?: 'cannot' | 'wont'): void {
    this.needs.set(key, { at: this.now, fired: this.#fired, by, ...(declined && { declined }) });
  }

  say(fact: string, value: FactValue): void {
    this.said.set(fact, { value, at: this.now, fired: this.#fired });
  }

  /** Takes in how the appliance is set from now on; gives what of it changed. */
  set(happening: Happening, to: Extract<Happening['what'], { type: 'setup' }>): readonly string[] {
    const changed: string[] = [];
    if (to.gas !== this.gas || this.gasSince === undefined) {
      changed.push('gas');
      this.gasSince = this.now;
      if (to.gas && !this.gas) {
        this.tries = this.holdsWithin('wait5', Infinity) ? [] : this.tries;
        for (const need of ['wait5', 'held']) this.needs.delete(need);
      }
      this.gas = to.gas;
    }
    if (to.power !== this.power || this.powerSince === undefined) {
      changed.push('power');
      this.powerSince = this.now;
      if (to.power && !this.power)
        for (const need of [...this.needs.keys()])
          if (/^(isolated|discharged|still)/.test(need)) this.needs.delete(need);
      this.power = to.power;
    }
    this.call = to.call;
    this.#bypass(happening, to.bypasses, changed);
    this.#apart(happening, to.apart, changed);
    return changed;
  }

  #bypass({ id: event, person, at }: Happening, on: readonly Jumper[], changed: string[]): void {
    const before = this.bypasses;
    if (on.length === before.length && on.every(({ id }) => before.some((b) => b.id === id))) return;
    changed.push('bypass');
    this.bypasses = on.map(({ id, title, kind, found = false, why = '' }) => {
      const placed = before.find((b) => b.id === id);
      if (placed) return placed;
      const times = (this.timesBypassed.get(id) ?? 0) + 1;
      this.timesBypassed.set(id, times);
      this.touched.add(kind);
      return { id, title, kind, why, by: person, event, since: at, found, times };
    });
    const others = [
      ...before.filter((b) => !on.some(({ id }) => id === b.id)),
      ...this.bypasses.filter((b) => !before.includes(b)),
    ];
    // The finding of water holds over the very test that it was made for.
    if (others.some(({ kind }) => !kind.includes('low-water'))) this.needs.delete('water');
  }

  #apart(
    { person, at }: Happening,
    apart: readonly (Thing & { readonly kind: TemporaryKind })[],
    changed: string[],
  ): void {
    const before = [...this.temporary.values()].filter(({ kind }) => kind === 'plug' || kind === 'action');
    if (apart.length === before.length && apart.every(({ id }) => before.some((b) => b.id === id))) return;
    changed.push('apart');
    for (const { id } of before) if (!apart.some((a) => a.id === id)) this.temporary.delete(id);
    for (const { id, title, kind } of apart)
      if (!this.temporary.has(id)) this.temporary.set(id, { id, title, kind, by: person, since: at });
    this.needs.delete('water');
  }
}
