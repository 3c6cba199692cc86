import { useEffect, useState } from 'react';

/** The time now, moving once a second while it is wanted. */
export function useNow(wanted: boolean): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (!wanted) return;
    const tick = setInterval(() => setNow(Date.now()), 500);
    return () => clearInterval(tick);
  }, [wanted]);
  return now;
}

/** Minutes and seconds, as on a clock. */
export const clock = (milliseconds: number): string => {
  const seconds = Math.max(0, Math.round(milliseconds / 1000));
  const two = (n: number): string => String(n).padStart(2, '0');
  const hours = Math.floor(seconds / 3600);
  return `${hours > 0 ? `${hours}:` : ''}${two(Math.floor((seconds % 3600) / 60))}:${two(seconds % 60)}`;
};

interface Running {
  readonly event: string;
  readonly title: string;
  readonly ends: number;
}

/** Clocks that were set: they count down, survive a reload, and stand out when they are over. */
export function Timers({ timers, onEnd }: { timers: readonly Running[]; onEnd: (event: string) => void }) {
  const now = useNow(timers.length > 0);
  return timers.map((t) => {
    const left = t.ends - now;
    return (
      <button
        key={t.event}
        type="button"
        className={left > 0 ? 'timer' : 'timer warn'}
        onClick={() => onEnd(t.event)}
        title="Take this clock away"
      >
        {t.title} <strong>{left > 0 ? clock(left) : 'is over'}</strong>
      </button>
    );
  });
}
