import type { Millis } from '../units';
import { ASSUMED } from './assumptions';

/** How a step of a watched try came against when a sound appliance comes to it. */
export type Timing = 'early' | 'in-time' | 'late';

/** Between which moments a step is in time; both from the call for heat. */
export const timingWindow = (due: Millis): { readonly from: Millis; readonly to: Millis } => ({
  from: Math.max(0, ASSUMED.earlyShare * due - 1000 * ASSUMED.earlySeconds),
  to: ASSUMED.lateShare * due + 1000 * ASSUMED.lateSeconds,
});

export function judgeTiming(came: Millis, due: Millis): Timing {
  const { from, to } = timingWindow(due);
  if (came < from) return 'early';
  return came > to ? 'late' : 'in-time';
}
