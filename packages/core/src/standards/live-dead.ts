/**
 * From which volts on a wire counts as live or dead. Shares are of the rated volts of the source that feeds it. Common
 * practice, no source; each place has its own caution, so that they differ.
 */
export const LIVE_DEAD = {
  /** Proving: live from this share on, dead below that one; between them nothing is said. */
  provedLive: 0.5,
  provedDead: 0.3,
  /** Drawing: live from this share on. */
  drawnLive: 0.33,
  /** Searching by readings: below this share nothing stands there. */
  soughtDead: 0.06,
} as const;

/** Below this a wire of line or control voltage is called dead, and of a thermocouple's circuit this share of its volts. */
export const DEAD_VOLTS = 0.5;
export const DEAD_MILLIVOLT_SHARE = 0.05;
