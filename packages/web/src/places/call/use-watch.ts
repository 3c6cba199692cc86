import { useState } from 'react';

/** A try that is being watched: when it began (milliseconds since 1970) and the steps that came. */
export interface Watch {
  readonly start: number;
  readonly tapped: readonly string[];
}

/** The try that is being watched in a call, kept on the device: it goes on through a reload. */
export function useWatch(call: string): [Watch | undefined, (watch: Watch | undefined) => void] {
  const key = `zetalysis.watch.${call}`;
  const [watch, setWatch] = useState<Watch | undefined>(
    () => (JSON.parse(localStorage.getItem(key) ?? 'null') as Watch | null) ?? undefined,
  );
  const keep = (next: Watch | undefined): void => {
    if (next) localStorage.setItem(key, JSON.stringify(next));
    else localStorage.removeItem(key);
    setWatch(next);
  };
  return [watch, keep];
}
