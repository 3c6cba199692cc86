import { useEffect } from 'react';

/** Keeps the screen on while it is asked for, where the browser can; again when the page is looked at again. */
export function useAwake(awake: boolean): void {
  useEffect(() => {
    if (!awake || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | undefined;
    let over = false;
    const ask = (): void => {
      if (document.visibilityState !== 'visible') return;
      navigator.wakeLock.request('screen').then(
        (given) => (over ? void given.release() : void (lock = given)),
        // Low battery, or the browser does not want to: the try is watched all the same.
        () => undefined,
      );
    };
    ask();
    document.addEventListener('visibilitychange', ask);
    return () => {
      over = true;
      document.removeEventListener('visibilitychange', ask);
      void lock?.release();
    };
  }, [awake]);
}
