import { useEffect, useSyncExternalStore } from 'react';

const KEY = 'zetalysis.speech';
const listeners = new Set<() => void>();
let on = localStorage.getItem(KEY) === 'on';

function change(next: boolean): void {
  on = next;
  localStorage.setItem(KEY, next ? 'on' : 'off');
  if (!next) speechSynthesis.cancel();
  listeners.forEach((l) => l());
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** Whether this browser can speak at all. */
export const canSpeak = 'speechSynthesis' in window;

/** Whether what is to be done is read aloud, kept on this device and off at first; and how to change it. */
export function useSpeech(): readonly [boolean, () => void] {
  const speaks = useSyncExternalStore(subscribe, () => on);
  return [speaks && canSpeak, () => change(!on)];
}

/** Reads words aloud whenever they change, by the browser's own voice; new words cut the old ones short. */
export function useReadAloud(words: string): void {
  const [speaks] = useSpeech();
  useEffect(() => {
    if (!speaks || words === '') return;
    speechSynthesis.cancel();
    const said = new SpeechSynthesisUtterance(words);
    said.lang = 'en';
    speechSynthesis.speak(said);
    return () => speechSynthesis.cancel();
  }, [speaks, words]);
}
