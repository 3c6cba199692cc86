import type { Circumstances, Placed } from './circumstances';
import { bypassLimit, isNeverBypassed, MOST_BYPASSES, safetyOf } from './safeties';

/** When a bypass has to be off, milliseconds since 1970. */
export const offBy = ({ kind, since }: Placed, c: Circumstances): number =>
  since + bypassLimit(kind, c.gasHeld, c.family) * 1000;

/** The last guards are never gone round, and nothing more than twice in a call. */
export const isForbidden = ({ kind, times }: Placed, c: Circumstances): boolean =>
  isNeverBypassed(safetyOf(kind)) || times > MOST_BYPASSES || bypassLimit(kind, c.gasHeld, c.family) === 0;

/** Why a bypass that is on has to come off now; nothing while it is in its time. `only-rings` does not stop the work. */
export function overdue(b: Placed, c: Circumstances): 'over' | 'twice' | 'forbidden' | 'found' | 'second' | undefined {
  const safety = safetyOf(b.kind);
  if (isForbidden(b, c)) return 'forbidden';
  if (b.found) return 'found';
  const limit = offBy(b, c) - b.since;
  if (c.now - b.since > 2 * limit) return 'twice';
  if (c.now - b.since > limit) return 'over';
  if (safety.rings === 'only') return undefined;
  const earlier = c.bypasses.some(
    (o) => o !== b && safetyOf(o.kind).rings !== 'only' && o.since <= b.since && o.event !== b.event,
  );
  const together = c.bypasses.some((o) => o !== b && o.event === b.event && safetyOf(o.kind).rings !== 'only');
  return earlier || together ? 'second' : undefined;
}
