import type { Circumstances, Pressed } from './circumstances';
import { safetyOf } from './safeties';

const MINUTE = 60_000;
const DAY = 24 * 60 * MINUTE;

/** How long resets without a cause count against a safety of a machine. */
export const RESETS_COUNT_FOR = 30 * DAY;

/** What pressing a reset now would be: allowed with a cause, or `reset-again`. */
export type ResetVerdict = 'first' | 'cause-mended' | 'again';

/**
 * Whether the reset of a safety may be pressed now. Resets count by safety, in this call and without a cause on the machine in
 * the last thirty days; a customer's today counts too.
 */
export function resetVerdict(safety: string, kind: string, c: Circumstances, before: readonly Pressed[]): ResetVerdict {
  const rule = safetyOf(kind).reset;
  const cause = c.causes.get(safety);
  const counted = before.filter((p) => p.safety === safety && c.now - p.at <= spanOf(rule));
  switch (rule) {
    case 'one-shot':
      return counted.length > 0 ? 'again' : cause?.mended === true ? 'cause-mended' : 'again';
    case 'fuse':
    case 'breaker':
    case 'automatic-water':
      return counted.length > 0 ? 'again' : 'first';
    case 'lockout':
      return counted.length >= 2 ? 'again' : 'first';
    default: {
      if (counted.length === 0) return 'first';
      const newest = Math.max(...counted.map(({ at }) => at));
      return cause?.mended === true && cause.at >= newest ? 'cause-mended' : 'again';
    }
  }
}

function spanOf(rule: ReturnType<typeof safetyOf>['reset']): number {
  if (rule === 'automatic-water') return DAY;
  if (rule === 'lockout') return 30 * MINUTE;
  return RESETS_COUNT_FOR;
}

/** What a reset needs, beside the cause having been looked for. */
export function resetNeeds(kind: string): readonly string[] {
  switch (safetyOf(kind).reset) {
    case 'water':
    case 'automatic-water':
      return ['cause', 'water'];
    case 'lockout':
      return ['gas-off', 'wait5', 'sniff'];
    case 'fuse':
    case 'breaker':
      return ['power-off'];
    default:
      return ['roll-out', 'spill', 'thermal-switch'].includes(kind)
        ? ['cause', 'cool', 'co-on', 'no-vapour']
        : ['cause', 'cool'];
  }
}
