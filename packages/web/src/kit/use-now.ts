import { useEffect, useState } from 'react';

/** The time now, read again every so many milliseconds; it stands still when nothing is given. */
export function useNow(every: number | undefined): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (every === undefined) return;
    const tick = setInterval(() => setNow(Date.now()), every);
    return () => clearInterval(tick);
  }, [every]);
  return now;
}

/** For clocks that somebody looks at, milliseconds. */
export const TICKING = 500;
