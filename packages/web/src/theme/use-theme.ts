import { useSyncExternalStore } from 'react';

export type Theme = 'day' | 'dark';

const KEY = 'zetalysis.theme';
const listeners = new Set<() => void>();
let current: Theme = localStorage.getItem(KEY) === 'dark' ? 'dark' : 'day';

// Before the first paint, so that nothing is drawn in the other light.
document.documentElement.dataset['theme'] = current;

function change(theme: Theme): void {
  current = theme;
  document.documentElement.dataset['theme'] = theme;
  localStorage.setItem(KEY, theme);
  listeners.forEach((l) => l());
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** The light the app is drawn in, kept on this device, and a way to switch it. */
export function useTheme(): readonly [Theme, () => void] {
  const theme = useSyncExternalStore(subscribe, () => current);
  return [theme, () => change(theme === 'day' ? 'dark' : 'day')];
}
