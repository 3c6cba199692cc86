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
  // What it showed when it was asked is heard first: a probe that was moved before its next display has moved since.
  const [last] = useState(() => shown?.[shown.length - 1]);
  const heardTo = useRef(last ? last.at - 1 : 0);
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
