import { useSyncExternalStore } from 'react';

/** Where the instruments of this device are, and the code that lets it hear them. */
export interface Paired {
  readonly address: string;
  readonly code: string;
}

/** Where instruments speak unless somebody says otherwise. */
export const USUAL_ADDRESS = 'ws://127.0.0.1:4190';

const KEY = 'zetalysis.instruments';
const heard = new Set<() => void>();
let known: { readonly text: string | null; readonly paired: Paired | undefined } = { text: null, paired: undefined };

/** With which instruments this device is paired; nothing when readings are typed. */
export function paired(): Paired | undefined {
  const text = localStorage.getItem(KEY);
  if (text !== known.text) known = { text, paired: text === null ? undefined : (JSON.parse(text) as Paired) };
  return known.paired;
}

export function pair(next: Paired | undefined): void {
  if (next) localStorage.setItem(KEY, JSON.stringify(next));
  else localStorage.removeItem(KEY);
  for (const listener of heard) listener();
}

export const usePaired = (): Paired | undefined =>
  useSyncExternalStore((listener) => {
    heard.add(listener);
    return () => heard.delete(listener);
  }, paired);
