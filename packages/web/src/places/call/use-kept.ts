import { useMemo, useSyncExternalStore } from 'react';

const listeners = new Set<() => void>();

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/**
 * Something that goes on in a call, kept on the device: it survives a reload, wherever on the page it shows.
 * @param read what was kept; nothing where it is not of its form
 */
export function useKept<T>(
  name: string,
  call: string,
  read: (kept: unknown) => T | undefined,
): [T | undefined, (next: T | undefined) => void] {
  const key = `zetalysis.${name}.${call}`;
  const kept = useSyncExternalStore(subscribe, () => localStorage.getItem(key) ?? '');
  const now = useMemo(() => (kept === '' ? undefined : read(JSON.parse(kept))), [kept, read]);
  const keep = (next: T | undefined): void => {
    if (next) localStorage.setItem(key, JSON.stringify(next));
    else localStorage.removeItem(key);
    listeners.forEach((l) => l());
  };
  return [now, keep];
}
