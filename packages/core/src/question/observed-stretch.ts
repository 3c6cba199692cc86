import type { Interval, Trace } from '../simulation';

/** A display needs this long to settle; shorter stretches read as unsteady, milliseconds. */
export const METER_SETTLES = 500;

/** The stretch of a phase in which somebody reads: the first that lets a display settle. */
export function readable(windows: readonly Interval[]): Interval | undefined {
  return windows.find((w) => w.to - w.from >= METER_SETTLES) ?? windows[0];
}

/** A gauge is read late in its window, when things have come to rest, but not hours later. */
export function settledIn(window: Interval): number {
  return Math.min(
    window.to - 1,
    window.from + Math.max(METER_SETTLES, Math.min(20_000, 0.8 * (window.to - window.from))),
  );
}

/** What goes on when a run was watched to its end: the cycle that repeats, or the last state. */
export function lasting(trace: Trace): Interval {
  if (trace.cycle) return { from: trace.cycle.from, to: trace.end };
  return { from: trace.cut && trace.outcome === 'cycles' ? 0 : trace.end, to: trace.end };
}
