import { useState } from 'react';
import type { CallView, Drawing } from '@zetalysis/core/presentation';
import type { EventBody } from '@zetalysis/core/visit';
import { clock, useNow } from './Clock';

interface Props {
  readonly call: string;
  readonly drawing: Drawing;
  readonly view: CallView;
  readonly onEvents: (bodies: readonly EventBody[]) => void;
}

/** A try that is being watched: when it began (milliseconds since 1970) and the steps that came. */
interface Watch {
  readonly start: number;
  readonly tapped: readonly string[];
}

const key = (call: string): string => `zetalysis.watch.${call}`;

/**
 * Watching one whole try with a clock: one large button for every step that may come. Each tap is a step seen and a
 * time; what should have come is answered in one tap at the end. The clock goes on through a reload.
 */
export function Stopwatch({ call, drawing, view, onEvents }: Props) {
  const [watch, setWatch] = useState<Watch | undefined>(
    () => (JSON.parse(localStorage.getItem(key(call)) ?? 'null') as Watch | null) ?? undefined,
  );
  const keep = (next: Watch | undefined): void => {
    if (next) localStorage.setItem(key(call), JSON.stringify(next));
    else localStorage.removeItem(key(call));
    setWatch(next);
  };
  const now = useNow(watch !== undefined);
  if (watch === undefined)
    return (
      <button type="button" className="watch" onClick={() => keep({ start: Date.now(), tapped: [] })}>
        Watch a try with the clock
      </button>
    );
  const { start, tapped } = watch;
  const elapsed = now - start;
  const left = drawing.phases.filter((p) => !tapped.includes(p.id));
  const stop = (): void => keep(undefined);
  const tap = (phase: string, at: number): void => {
    const seconds = Math.max(1, Math.round((performance.timeOrigin + at - start) / 1000));
    keep({ start, tapped: [...tapped, phase] });
    onEvents([
      { type: 'seen', phase, answer: 'yes' },
      {
        type: 'timing',
        phase,
        reading: { kind: 'value', value: seconds, dimension: 'time' },
        typed: `${seconds} s`,
      },
    ]);
  };
  // The step it breaks off at, and what should have come by now as well. What is not due yet is not claimed.
  const wanted = left.filter((p) => !p.unwanted);
  const due = (phase: string): boolean =>
    elapsed >= (view.cord.beads.find((b) => b.id === phase)?.expectedAt ?? Infinity);
  const missing = wanted.filter((p, i) => i === 0 || due(p.id));
  const nothingMore = (): void => {
    onEvents(missing.map((p) => ({ type: 'seen', phase: p.id, answer: 'no' })));
    stop();
  };
  return (
    <div className="watching" role="group" aria-label="Watching a try">
      <p className="digits" role="timer">
        {clock(elapsed)}
      </p>
      <p className="fine">The clock runs from the call. Tap each step the moment it comes. Hands off the machine.</p>
      <div className="choices">
        {missing.length > 0 && (
          <button type="button" className="main" onClick={nothingMore} aria-describedby="nothing-more">
            Nothing more comes
          </button>
        )}
        <button type="button" onClick={stop}>
          Stop the clock
        </button>
      </div>
      {missing.length > 0 && (
        <p id="nothing-more" className="fine">
          “Nothing more comes” writes down as not seen: {missing.map((p) => p.title).join(', ')}.
        </p>
      )}
      <div className="cues">
        {left.map((p) => {
          const at = view.cord.beads.find((b) => b.id === p.id)?.expectedAt;
          const late = at !== undefined && elapsed > 1.4 * at + 5000;
          return (
            <button
              key={p.id}
              type="button"
              className={p.unwanted ? 'cue unwanted' : 'cue'}
              onClick={(e) => tap(p.id, e.timeStamp)}
            >
              {p.title}
              <span className="fine">
                {p.unwanted ? 'should not happen' : at === undefined ? '' : `about ${clock(at)}`}
                {late && <strong> late</strong>}
              </span>
            </button>
          );
        })}
      </div>
    </div>
  );
}
