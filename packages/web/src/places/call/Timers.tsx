import type { CallView } from '@zetalysis/core/presentation';
import { Button } from '../../kit/Button';
import { Ring } from '../../kit/Ring';
import { clock } from '../../kit/clock';
import styles from './Timers.module.css';
import { TICKING, useNow } from '../../kit/use-now';

interface Props {
  readonly timers: CallView['timers'];
  readonly onEnd: (event: string) => void;
}

/** Clocks that were set: they count down, survive a reload, and stand out when they are over. */
export function Timers({ timers, onEnd }: Props) {
  const now = useNow(timers.length > 0 ? TICKING : undefined);
  return timers.map((t) => {
    const left = t.ends - now;
    if (t.runs)
      return (
        left > 0 && (
          <span key={`runs ${t.event}`} className={styles.runs} title="Answered too early: look again when it is over">
            {t.title}: look again in <strong>{clock(left)}</strong>
          </span>
        )
      );
    return (
      <Button
        key={t.event}
        tone={left > 0 ? 'plain' : 'warn'}
        className={styles.timer!}
        onClick={() => onEnd(t.event)}
        title="Take this clock away"
      >
        <span>
          {t.title} <strong>{left > 0 ? clock(left) : 'is over'}</strong>
          {left <= 0 && <Ring />}
        </span>
      </Button>
    );
  });
}
