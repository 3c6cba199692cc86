import { useState } from 'react';
import type { CallView, Drawing } from '@zetalysis/core/presentation';
import { inSeconds, type Millis } from '@zetalysis/core/units';
import type { EventBody } from '@zetalysis/core/visit';
import { Button } from '../../kit/Button';
import { Choices } from '../../kit/Choices';
import { clock } from './clock';
import styles from './Stopwatch.module.css';
import { TICKING, useNow } from '../../kit/use-now';
import { useWatch, type Watch } from './use-watch';

interface Props {
  readonly call: string;
  readonly drawing: Drawing;
  readonly view: CallView;
  readonly onEvents: (bodies: readonly EventBody[]) => void;
}

/**
 * Watching one whole try with a clock: one large button for every step that may come. Each tap is a step seen and a
 * time; what should have come is answered in one tap at the end. The clock goes on through a reload.
 */
export function Stopwatch({ call, ...given }: Props) {
  const [watch, keep] = useWatch(call);
  /** The steps are in sight, and the clock waits for the call. */
  const [armed, setArmed] = useState(false);
  if (watch) return <Watching watch={watch} keep={keep} {...given} />;
  if (armed)
    return (
      <div className={styles.watching} role="group" aria-label="Ready to watch" data-watching>
        <p>Set the call for heat, and start the clock in the same moment. Hands off the machine after that.</p>
        <Choices>
          <Button
            tone="main"
            onClick={() => {
              setArmed(false);
              keep({ start: Date.now(), tapped: [] });
            }}
          >
            It calls now: start the clock
          </Button>
          <Button onClick={() => setArmed(false)}>Not now</Button>
        </Choices>
      </div>
    );
  return (
    <Button tone="quiet" className={styles.start!} onClick={() => setArmed(true)}>
      Watch a try
    </Button>
  );
}

interface WatchingProps extends Omit<Props, 'call'> {
  readonly watch: Watch;
  readonly keep: (watch: Watch | undefined) => void;
}

function Watching({ watch: { start, tapped }, keep, drawing, view, onEvents }: WatchingProps) {
  const elapsed = useNow(TICKING) - start;
  const expected = (phase: string): Millis | undefined => view.cord.beads.find((b) => b.id === phase)?.expectedAt;
  const left = drawing.phases.filter((p) => !tapped.includes(p.id));
  // The step it breaks off at, and what should have come by now as well. What is not due yet is not claimed.
  const missing = left.filter((p) => !p.unwanted).filter((p, i) => i === 0 || elapsed >= (expected(p.id) ?? Infinity));
  const tap = (phase: string, stamp: number): void => {
    const seconds = Math.max(1, Math.round(inSeconds(performance.timeOrigin + stamp - start)));
    keep({ start, tapped: [...tapped, phase] });
    onEvents([
      { type: 'seen', phase, answer: 'yes' },
      { type: 'timing', phase, reading: { kind: 'value', value: seconds, dimension: 'time' }, typed: `${seconds} s` },
    ]);
  };
  const nothingMore = (): void => {
    onEvents(missing.map((p) => ({ type: 'seen', phase: p.id, answer: 'no' })));
    keep(undefined);
  };
  return (
    <div className={styles.watching} role="group" aria-label="Watching a try" data-watching>
      <p className={styles.digits} role="timer">
        {clock(elapsed)}
      </p>
      <p className="fine">The clock runs from the call. Tap each step the moment it comes. Hands off the machine.</p>
      <Choices>
        {missing.length > 0 && (
          <Button tone="main" onClick={nothingMore} aria-describedby="nothing-more">
            Nothing more comes
          </Button>
        )}
        <Button onClick={() => keep(undefined)}>Stop the clock</Button>
      </Choices>
      {missing.length > 0 && (
        <p id="nothing-more" className="fine">
          “Nothing more comes” writes down as not seen: {missing.map((p) => p.title).join(', ')}.
        </p>
      )}
      <div className={styles.cues}>
        {left.map((p) => (
          <Cue key={p.id} phase={p} at={expected(p.id)} elapsed={elapsed} onTap={(stamp) => tap(p.id, stamp)} />
        ))}
      </div>
    </div>
  );
}

interface CueProps {
  readonly phase: Drawing['phases'][number];
  /** When a sound appliance comes to it. */
  readonly at: Millis | undefined;
  readonly elapsed: Millis;
  readonly onTap: (stamp: number) => void;
}

/** A step is late when it takes this share longer than a sound appliance, and some seconds more. */
const LATE_SHARE = 1.4;
const LATE_AFTER: Millis = 5000;

function Cue({ phase, at, elapsed, onTap }: CueProps) {
  const late = at !== undefined && elapsed > LATE_SHARE * at + LATE_AFTER;
  return (
    <Button
      className={phase.unwanted ? `${styles.cue} ${styles.unwanted}` : styles.cue!}
      onClick={(e) => onTap(e.timeStamp)}
    >
      <span>{phase.title}</span>
      <span className="fine">
        {phase.unwanted ? 'should not happen' : at === undefined ? '' : `about ${clock(at)}`}
        {late && <strong> late</strong>}
      </span>
    </Button>
  );
}
