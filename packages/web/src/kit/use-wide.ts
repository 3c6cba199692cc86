import { useSyncExternalStore } from 'react';

/** As the sheets of style have it: from here on there is room beside the work. */
const WIDE = '(min-width: 60em)';

function subscribe(listener: () => void): () => void {
  const query = matchMedia(WIDE);
  query.addEventListener('change', listener);
  return () => query.removeEventListener('change', listener);
}

/** Whether things stand beside each other, or one job is on the screen. */
export const useWide = (): boolean => useSyncExternalStore(subscribe, () => matchMedia(WIDE).matches);
