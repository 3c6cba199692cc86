import type { Millis } from '../units';

/** Values that differ by less than this share are the same: a cycle comes round a little differently each time. */
const SAME = 1e-6;

/** Remembers the moments of a run, and finds the earlier one from which everything will go as from now. */
export class CycleDetector {
  private readonly moments: { readonly at: Millis; readonly outlook: readonly number[] }[] = [];

  /**
   * The earlier moment with the same outlook (everything that decides how it goes on, in the same order, times counted
   * from its own moment), or undefined after noting this one.
   */
  before(now: Millis, outlook: readonly number[]): Millis | undefined {
    for (const moment of this.moments) if (alike(moment.outlook, outlook)) return moment.at;
    this.moments.push({ at: now, outlook });
    return undefined;
  }
}

function alike(a: readonly number[], b: readonly number[]): boolean {
  for (let i = 0; i < a.length; i++) {
    const p = a[i]!;
    const q = b[i]!;
    if (p !== q && Math.abs(p - q) > SAME * Math.max(Math.abs(p), Math.abs(q))) return false;
  }
  return true;
}
