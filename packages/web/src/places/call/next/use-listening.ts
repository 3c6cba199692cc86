import { useEffect, useRef, useState } from 'react';
import { type Display, hear, listen, type Listening, type Wanted } from '@zetalysis/core/instruments';

/** Listens to what an instrument shows for one reading; what stands is taken once, and doubtful things wait for a tap. */
export function useListening(
  wanted: Wanted,
  shown: readonly Display[] | undefined,
  busy: boolean,
  onTake: (typed: string, last: Display) => void,
): Listening {
  const [listening, setListening] = useState(() => listen(wanted));
  const [began] = useState(() => Date.now());
  const heardTo = useRef(began);
  const taken = useRef(false);
  useEffect(() => {
    const fresh = (shown ?? []).filter((d) => d.at > heardTo.current);
    if (fresh.length === 0) return;
    heardTo.current = fresh[fresh.length - 1]!.at;
    setListening((before) => fresh.reduce(hear, before));
  }, [shown]);
  useEffect(() => {
    const { heard, recent } = listening;
    if (busy || taken.current || heard.is !== 'stands') return;
    taken.current = true;
    onTake(heard.typed, recent[recent.length - 1]!);
  }, [listening, busy, onTake]);
  return listening;
}
