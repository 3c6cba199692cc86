import type { BypassKind } from '../parts';

/** How long something may be gone round, in seconds from placing; common practice where there is any, else our own (i). */
const BYPASS_LIMITS: Readonly<Record<BypassKind, number>> = { never: 0, safety: 600, 'call-jumper': 1800 };

/** The limit for a kind; one that nobody knows here has that of a safety. */
export const bypassLimit = (kind: string): number =>
  Object.hasOwn(BYPASS_LIMITS, kind) ? BYPASS_LIMITS[kind as BypassKind] : BYPASS_LIMITS.safety;
