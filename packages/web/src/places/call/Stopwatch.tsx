import { useState } from 'react';
import type { CallView, Drawing } from '@zetalysis/core/presentation';
import { inSeconds, type Millis } from '@zetalysis/core/units';
import type { EventBody } from '@zetalysis/core/visit';
import { Button } from '../../kit/Button';
import { Choices } from '../../kit/Choices';
import { judgeTiming, timingWindow } from '@zetalysis/core/standards';
import { useAwake } from '../../kit/use-awake';
import { clock } from '../../kit/clock';
import { Laps, lapsOf, lapWords } from './Laps';
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
              keep({ start: Date.now(), came: [] });
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

function Watching({ watch, keep, drawing, view, onEvents }: WatchingProps) {
  const { start, came } = watch;
  const elapsed = useNow(TICKING) - start;
  useAwake(true);
  const expected = (phase: string): Millis | undefined => view.cord.beads.find((b) => b.id === phase)?.expectedAt;
  const left = drawing.phases.filter((p) => !came.some((c) => c.phase === p.id));
  // The step it breaks off at, and what should have come by now as well. What is not due yet is not claimed.
  const missing = left.filter((p) => !p.unwanted).filter((p, i) => i === 0 || elapsed >= (expected(p.id) ?? Infinity));
  const tap = (phase: string, stamp: number): void => {
    const at = performance.timeOrigin + stamp - start;
    const seconds = Math.max(1, Math.round(inSeconds(at)));
    keep({ ...watch, came: [...came, { phase, at }] });
    onEvents([
      { type: 'seen', phase, answer: 'yes' },
      { type: 'timing', phase, reading: { kind: 'value', value: seconds, dimension: 'time' }, typed: `${seconds} s` },
    ]);
  };
  const over = (): void => {
    const words = lapWords(lapsOf(watch.laps ?? []));
    if (words !== '') onEvents([{ type: 'note', text: `Watched: ${words}` }]);
    keep(undefined);
  };
  // It was watched for so long, and says nothing of what comes later.
  const nothingMore = (stamp: number): void => {
    const after = Math.max(1, Math.round(inSeconds(performance.timeOrigin + stamp - start)));
    onEvents(missing.map((p) => ({ type: 'seen', phase: p.id, answer: 'no', after })));
    over();
  };
  return (
    <div className={styles.watching} role="group" aria-label="Watching a try" data-watching>
      <p className={styles.digits} role="timer">
        {clock(elapsed)}
      </p>
      <p className="fine">The clock runs from the call. Tap each step the moment it comes. Hands off the machine.</p>
      <Choices>
        {missing.length > 0 && (
          <Button tone="main" onClick={(e) => nothingMore(e.timeStamp)} aria-describedby="nothing-more">
            Nothing more comes
          </Button>
        )}
        <Button onClick={over}>Stop the clock</Button>
      </Choices>
      {missing.length > 0 && (
        <p id="nothing-more" className="fine">
          “Nothing more comes” writes down as not seen: {missing.map((p) => p.title).join(', ')}.
        </p>
      )}
      <ul className={styles.came} aria-label="What came">
        {came.map(({ phase, at }) => (
          <li key={phase}>
            {drawing.phases.find((p) => p.id === phase)?.title} <CameWhen at={at} due={expected(phase)} />
          </li>
        ))}
      </ul>
      <div className={styles.cues}>
        {left.map((p) => (
          <Cue key={p.id} phase={p} at={expected(p.id)} elapsed={elapsed} onTap={(stamp) => tap(p.id, stamp)} />
        ))}
      </div>
      {came.length > 0 && (
        <Laps
          laps={watch.laps ?? []}
          model={view.cycle}
          onLap={(stamp) => keep({ ...watch, laps: [...(watch.laps ?? []), performance.timeOrigin + stamp - start] })}
        />
      )}
    </div>
  );
}

const TIMING_WORDS = { early: '← early', 'in-time': '✓ in time', late: '→ late' } as const;

/** When a step came, and whether that is when it should. */
function CameWhen({ at, due }: { at: Millis; due: Millis | undefined }) {
  const timing = due === undefined ? undefined : judgeTiming(at, due);
  return (
    <span data-timing={timing}>
      {clock(at)}
      {due !== undefined && timing && (
        <>
          , due {clock(due)} <strong>{TIMING_WORDS[timing]}</strong>
        </>
      )}
    </span>
  );
}

interface CueProps {
  readonly phase: Drawing['phases'][number];
  /** When a sound appliance comes to it. */
  readonly at: Millis | undefined;
  readonly elapsed: Millis;
  readonly onTap: (stamp: number) => void;
}

function Cue({ phase, at, elapsed, onTap }: CueProps) {
  const window = at === undefined ? undefined : timingWindow(at);
  const late = window !== undefined && elapsed > window.to;
  return (
    <Button
      className={phase.unwanted ? `${styles.cue} ${styles.unwanted}` : styles.cue!}
      onClick={(e) => onTap(e.timeStamp)}
    >
      <span>{phase.title}</span>
      <span className="fine">
        {phase.unwanted ? 'should not happen' : window && `${clock(window.from)} to ${clock(window.to)}`}
        {late && <strong> late</strong>}
      </span>
    </Button>
  );
}
