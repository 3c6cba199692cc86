/** How strongly something is fed that acts from some volts on and lets go below fewer. */
export const NOTHING = 0;
/** Enough to hold what has pulled in. */
export const HOLDS = 1;
/** Enough to pull in. */
export const PULLS = 2;

/** How strongly `volts` feed something that holds from `holds` and pulls in from `pulls` on, in the same unit. */
export const fed = (volts: number, holds: number, pulls: number): number =>
  volts < holds ? NOTHING : volts < pulls ? HOLDS : PULLS;
