import { useKept } from './use-kept';

/** A step that came while a try was watched, and when, milliseconds from the call for heat. */
interface Came {
  readonly phase: string;
  readonly at: number;
}

/** A try that is being watched: when it began (milliseconds since 1970), the steps that came, and when it went off and on again. */
export interface Watch {
  readonly start: number;
  readonly came: readonly Came[];
  /** Moments at which the burner went out and lit again, in turn. */
  readonly laps?: readonly number[];
}

/** The try that is being watched in a call. */
export const useWatch = (call: string): [Watch | undefined, (watch: Watch | undefined) => void] =>
  useKept('watch', call, read);

function read(kept: unknown): Watch | undefined {
  const { start, came } = kept as Partial<Watch>;
  return typeof start === 'number' && Array.isArray(came) ? (kept as Watch) : undefined;
}
