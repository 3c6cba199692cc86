import { Button } from '../../../kit/Button';
import { clock } from '../../../kit/clock';
import { TICKING, useNow } from '../../../kit/use-now';
import { useKept } from '../use-kept';
import styles from './ProofList.module.css';

/** Starts that were timed: when each began and ended, milliseconds since 1970; the last one may still run. */
type Starts = readonly { readonly from: number; readonly to?: number }[];

const read = (kept: unknown): Starts | undefined => (Array.isArray(kept) ? (kept as Starts) : undefined);

/** The starts that a proof run asks for, timed from the call for heat to its end. */
export const useStarts = (call: string) => useKept<Starts>('starts', call, read);

/** The starts as one would tell them. */
export const startsInWords = (starts: Starts): string =>
  starts.flatMap(({ from, to }) => (to === undefined ? [] : [clock(to - from)])).join(', ');

/** Whole minutes that it ran in all starts together. */
const minutesOf = (starts: Starts, now: number): number =>
  Math.floor(starts.reduce((sum, { from, to = now }) => sum + to - from, 0) / 60_000);

interface Props {
  readonly call: string;
  /** So many are asked for. */
  readonly wanted: number;
}

/** The stopwatch of a proof run: one tap when it is called, one when it has ended. */
export function RunTimer({ call, wanted }: Props) {
  const [starts = [], keep] = useStarts(call);
  const last = starts.at(-1);
  const runs = last !== undefined && last.to === undefined;
  const now = useNow(runs ? TICKING : undefined);
  const done = starts.filter(({ to }) => to !== undefined).length;
  return (
    <div className={styles.starts} role="group" aria-label="Starts, timed">
      <p>
        <b>
          {done} of {wanted} starts
        </b>
        {runs && (
          <>
            {' '}
            · number {starts.length} runs <strong role="timer">{clock(Math.max(0, now - last.from))}</strong>
          </>
        )}
        {done > 0 && (
          <span className="fine">
            {' '}
            · {startsInWords(starts)}; {minutesOf(starts, now)} min together
          </span>
        )}
      </p>
      {runs ? (
        <Button onClick={() => keep([...starts.slice(0, -1), { ...last, to: Date.now() }])}>It has ended</Button>
      ) : (
        <Button onClick={() => keep([...starts, { from: Date.now() }])}>It calls: start {starts.length + 1}</Button>
      )}
      {starts.length > 0 && (
        <Button tone="quiet" onClick={() => keep(undefined)}>
          Time anew
        </Button>
      )}
    </div>
  );
}
