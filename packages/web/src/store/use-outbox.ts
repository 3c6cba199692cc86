import { createContext, use, useEffect, useMemo, useRef, useState } from 'react';
import { onNews } from './local';
import { type OutboxState, sendAll, standing } from './outbox';

/** How often what waits is tried again, milliseconds. */
const AGAIN_MS = 4000;

export interface Outbox {
  readonly state: OutboxState;
  /** Sends what waits, now; done when it was tried. */
  readonly send: () => Promise<void>;
}

export const OutboxStateContext = createContext<OutboxState>({ kind: 'sent' });
export const SendContext = createContext<Outbox['send']>(() => Promise.resolve());

export const useOutboxState = (): OutboxState => use(OutboxStateContext);
/** For who only sends, and is not drawn again each time something went out. */
export const useSend = (): Outbox['send'] => use(SendContext);

/** The outbox of whoever is signed in, sending from whatever page is open. One tab sends at a time. */
export function useSending(person: string): Outbox {
  const [state, setState] = useState<OutboxState>({ kind: 'sending', waiting: 0 });
  const busy = useRef<Promise<void>>(Promise.resolve());
  const send = useMemo(() => {
    const once = async (): Promise<void> => {
      setState(
        await oneTab(
          () => sendAll(person),
          () => standing(person),
        ),
      );
    };
    return () => (busy.current = busy.current.then(once, once).catch(() => undefined));
  }, [person]);
  useEffect(() => {
    void send();
    const stopNews = onNews(({ made }) => {
      // What is not sent yet is never called sent.
      if (made) setState((before) => (before.kind === 'sent' ? { kind: 'sending', waiting: 1 } : before));
      void standing(person).then((now) => {
        setState((before) =>
          now.kind === 'sending' && before.kind === 'away' ? { ...before, waiting: now.waiting } : now,
        );
        if (now.kind === 'sending') void send();
      });
    });
    const timer = setInterval(() => document.visibilityState === 'visible' && void send(), AGAIN_MS);
    const again = (): void => void send();
    window.addEventListener('online', again);
    return () => {
      stopNews();
      clearInterval(timer);
      window.removeEventListener('online', again);
    };
  }, [person, send]);
  return useMemo(() => ({ state, send }), [state, send]);
}

/** Runs the work unless another tab is at it; then only looks how it stands. */
const oneTab = <T>(work: () => Promise<T>, look: () => Promise<T>): Promise<T> =>
  navigator.locks === undefined
    ? work()
    : navigator.locks.request('zetalysis-outbox', { ifAvailable: true }, (lock) => (lock ? work() : look()));
