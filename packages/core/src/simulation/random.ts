/** A small seeded generator (mulberry32), so that a score can be repeated. */
export class Random {
  constructor(private state: number) {}

  /** One that goes on from here in the same way. */
  clone(): Random {
    return new Random(this.state);
  }

  /** Uniform in [0, 1). */
  next(): number {
    this.state = (this.state + 0x6d2b79f5) | 0;
    let t = Math.imul(this.state ^ (this.state >>> 15), 1 | this.state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  }

  /** Standard normal (Box–Muller). */
  normal(): number {
    return Math.sqrt(-2 * Math.log(1 - this.next())) * Math.cos(2 * Math.PI * this.next());
  }

  exponential(mean: number): number {
    return -mean * Math.log(1 - this.next());
  }
}

/** One of a list. */
export const pick = <T>(list: readonly T[], random: Random): T => list[Math.floor(random.next() * list.length)]!;

/** One of a list, by weight. */
export function pickBy<T>(list: readonly T[], weight: (one: T) => number, random: Random): T {
  let at = random.next() * list.reduce((sum, one) => sum + weight(one), 0);
  return list.find((one) => (at -= weight(one)) < 0) ?? list.at(-1)!;
}
