import { useMemo, useSyncExternalStore } from 'react';

/** A step that came while a try was watched, and when, milliseconds from the call for heat. */
interface Came {
  readonly phase: string;
  readonly at: number;
}

/** A try that is being watched: when it began (milliseconds since 1970), the steps that came, and when it went off and on again. */
export interface Watch {
  readonly start: number;
  readonly came: readonly Came[];
  /** Moments at which the burner went out and lit again, in turn. */
  readonly laps?: readonly number[];
}

const listeners = new Set<() => void>();
const keyOf = (call: string): string => `zetalysis.watch.${call}`;

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** The try that is being watched in a call, kept on the device: it goes on through a reload, wherever on the page it shows. */
export function useWatch(call: string): [Watch | undefined, (watch: Watch | undefined) => void] {
  const kept = useSyncExternalStore(subscribe, () => localStorage.getItem(keyOf(call)) ?? '');
  const watch = useMemo(() => read(kept), [kept]);
  const keep = (next: Watch | undefined): void => {
    if (next) localStorage.setItem(keyOf(call), JSON.stringify(next));
    else localStorage.removeItem(keyOf(call));
    listeners.forEach((l) => l());
  };
  return [watch, keep];
}

/** What was kept; nothing where it is not of this form. */
function read(kept: string): Watch | undefined {
  if (kept === '') return undefined;
  const { start, came } = JSON.parse(kept) as Partial<Watch>;
  return typeof start === 'number' && Array.isArray(came) ? (JSON.parse(kept) as Watch) : undefined;
}
