import { useCallback, useEffect, useRef, useState } from 'react';
import { v7 } from 'uuid';
import { type CallEvent, type EventBody, mergeEvents, nextSeq } from '@zetalysis/core/visit';
import { deviceName } from '../api/me';
import { ServerProblem } from '../api/http';
import { local, onNews } from './local';
import { pull, push, type SyncState } from './sync';

const POLL_MS = 4000;

export interface CallLog {
  /** Undefined while the browser's store is being read. */
  readonly events: readonly CallEvent[] | undefined;
  readonly sync: SyncState;
  /** Keeps an event in this browser and sends it when it can. */
  readonly append: (body: EventBody) => Promise<void>;
  /** The server says there is no such call, and this browser has none either. */
  readonly missing: string | undefined;
}

/** The log of one call: read from the browser's store, fed by this tab, other tabs and the server. */
export function useCall(call: string, person: string): CallLog {
  const [events, setEvents] = useState<readonly CallEvent[]>();
  const [sync, setSync] = useState<SyncState>({ kind: 'sending', waiting: 0 });
  const [missing, setMissing] = useState<string>();
  const newest = useRef<readonly CallEvent[]>([]);
  const busy = useRef<Promise<void>>(Promise.resolve());

  const synchronise = useCallback(() => {
    busy.current = busy.current.then(async () => {
      try {
        const state = await push(call);
        if (state.kind !== 'away' && state.kind !== 'signed-out') await pull(call);
        setSync(state);
        setMissing(undefined);
      } catch (error) {
        if (!(error instanceof ServerProblem)) throw error;
        const waiting = (await local.unsent()).filter((k) => k.call === call).length;
        if (error.status === 401) setSync({ kind: 'signed-out', waiting });
        else if (error.away || error.status === 429) setSync({ kind: 'away', waiting, words: error.message });
        else if (newest.current.length === 0) setMissing(error.message);
        else setSync({ kind: 'refused', waiting, words: error.message });
      }
    });
  }, [call]);

  useEffect(() => {
    newest.current = [];
    let here = true;
    const reread = (): Promise<void> =>
      local.events(call).then((kept) => {
        if (!here) return;
        // What was typed a moment ago may not be in the store yet; and a log without news stays the same one, so that
        // nobody thinks about it twice.
        const all = mergeEvents(
          kept.map((k) => k.event),
          newest.current,
        );
        const news = all.length !== newest.current.length || all.some((e, i) => e.id !== newest.current[i]!.id);
        if (news) newest.current = all;
        setEvents(newest.current);
      });
    void reread().then(synchronise);
    const stopNews = onNews((id) => id === call && void reread());
    const timer = setInterval(() => document.visibilityState === 'visible' && synchronise(), POLL_MS);
    window.addEventListener('online', synchronise);
    return () => {
      here = false;
      stopNews();
      clearInterval(timer);
      window.removeEventListener('online', synchronise);
    };
  }, [call, synchronise]);

  const append = useCallback(
    async (body: EventBody) => {
      const event: CallEvent = {
        id: v7(),
        call,
        seq: nextSeq(newest.current),
        at: new Date().toISOString(),
        device: deviceName(),
        person,
        body,
      };
      // Counted at once, so that two quick entries get different clock values.
      newest.current = [...newest.current, event];
      setEvents(newest.current);
      // What is not kept and sent yet is never called sent.
      setSync((s) => (s.kind === 'sent' ? { kind: 'sending', waiting: 1 } : s));
      await local.append(event);
      synchronise();
    },
    [call, person, synchronise],
  );
  return { events, sync, append, missing };
}
