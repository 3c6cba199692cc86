import type { Millis } from './trace';

/** Values that differ by less than this share are the same: a cycle comes round a little differently each time. */
const SAME = 1e-6;

/** Remembers the moments of a run, and finds the earlier one from which everything will go as from now. */
export class Recurrence {
  private readonly moments = new Map<string, { readonly at: Millis; readonly outlook: readonly number[] }[]>();

  /**
   * The earlier moment with the same states and the same outlook (same order, times relative to its own moment), or
   * undefined after noting this one.
   */
  before(now: Millis, states: string, outlook: readonly number[]): Millis | undefined {
    const alike = this.moments.get(states);
    const found = alike?.find((m) => m.outlook.every((value, i) => same(value, outlook[i]!)));
    if (found) return found.at;
    if (alike) alike.push({ at: now, outlook });
    else this.moments.set(states, [{ at: now, outlook }]);
    return undefined;
  }
}

const same = (a: number, b: number): boolean => a === b || Math.abs(a - b) <= SAME * Math.max(Math.abs(a), Math.abs(b));
