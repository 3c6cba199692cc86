import type { Move, PartView } from './part-kind';

/** How strongly something is fed that acts from some volts on and lets go below fewer. */
export const NOTHING = 0;
/** Enough to hold what has pulled in. */
export const HOLDS = 1;
/** Enough to pull in. */
export const PULLS = 2;

/** How strongly `volts` feed something that holds from `holds` and pulls in from `pulls` on, in the same unit. */
export const fed = (volts: number, holds: number, pulls: number): number =>
  volts < holds ? NOTHING : volts < pulls ? HOLDS : PULLS;

/** Where a part goes that acts while it is fed and rests otherwise; the times are what it takes to get there, milliseconds. */
export function actsWhileFed({ state, drive }: PartView, acting: Move, resting: Move): Move | undefined {
  if (state === resting.to && drive !== NOTHING) return acting;
  if (state === acting.to && drive === NOTHING) return resting;
  return undefined;
}
