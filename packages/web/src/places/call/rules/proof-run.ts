import type { Followed } from '@zetalysis/core/rules';

/** How the proof of a repair is gone about on this page. */
export interface ProofRun {
  /** The line that was tapped; else the next one. */
  readonly at?: string | undefined;
  /** A repair was made, and still somebody wants to test on. */
  readonly testsOn: boolean;
  /** The circuit is looked at instead of the lines. */
  readonly circuit: boolean;
}

export const BEGUN: ProofRun = { testsOn: false, circuit: false };

/** Whether a repair is being proved now. */
export const isProving = ({ c }: Followed, { testsOn }: ProofRun): boolean =>
  c.repaired.size > 0 && !testsOn && c.bypasses.length === 0;
