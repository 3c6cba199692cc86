import { LEVELS } from './levels';

/** An exercise that somebody has ended. */
export interface Played {
  readonly level: number;
  readonly mark: number;
  readonly proved: boolean;
  readonly critical: boolean;
  /** Minutes beside the planner’s. */
  readonly minutes: number;
  readonly planned: number;
  /** Parts of misconceptions and parts fitted in vain. */
  readonly confused: readonly string[];
}

/** How somebody stands at a level. */
export interface LevelProgress {
  readonly level: number;
  readonly played: number;
  /** The last ones in a row without a critical act. */
  readonly inARow: number;
  /** Median of minutes by the planner’s, of those in a row; nothing where there are none. */
  readonly pace: number | undefined;
  /** Share of those in a row that were proved. */
  readonly proved: number;
  readonly passed: boolean;
  /** What is still missing, in words; empty when it is passed. */
  readonly missing: readonly string[];
}

/** What passing a level takes. */
export const PASS = { inARow: 5, pace: 1.5, proved: 0.8 } as const;

/** How somebody stands at every level; their exercises in the order in which they ended. */
export const progressOf = (played: readonly Played[]): LevelProgress[] =>
  LEVELS.map(({ level }) => {
    const own = played.filter((p) => p.level === level);
    const broken = own.findLastIndex(({ critical }) => critical);
    const clean = own.slice(broken + 1);
    const last = clean.slice(-PASS.inARow);
    const pace = last.length === 0 ? undefined : median(last.map((p) => p.minutes / Math.max(p.planned, 0.1)));
    const proved = last.length === 0 ? 0 : last.filter((p) => p.proved).length / last.length;
    const missing = [
      ...(clean.length < PASS.inARow ? [`${PASS.inARow - clean.length} more without a critical act`] : []),
      ...(pace !== undefined && pace > PASS.pace
        ? ['quicker: half of them within one and a half times the planner’s minutes']
        : []),
      ...(last.length > 0 && proved < PASS.proved ? ['four of five proved'] : []),
    ];
    return { level, played: own.length, inARow: clean.length, pace, proved, passed: missing.length === 0, missing };
  });

/** What somebody confuses: parts that came up more than once, the newest exercises first. */
export function confusedIn(played: readonly Played[]): string[] {
  const counts = new Map<string, number>();
  for (const part of played.slice(-20).flatMap(({ confused }) => confused))
    counts.set(part, (counts.get(part) ?? 0) + 1);
  return [...counts].filter(([, times]) => times > 1).map(([part]) => part);
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
}
