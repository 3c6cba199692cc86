import { useEffect, useState } from 'react';

/** The time now, moving twice a second while it is wanted. */
export function useNow(wanted: boolean): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (!wanted) return;
    const tick = setInterval(() => setNow(Date.now()), 500);
    return () => clearInterval(tick);
  }, [wanted]);
  return now;
}
