import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Me } from '@zetalysis/contract';
import type { Authority } from '@zetalysis/core/rules';
import {
  type Arrived,
  type CallEvent,
  type EventBody,
  mergeEvents,
  nextSeq,
  type Overview,
  overviewOf,
} from '@zetalysis/core/visit';
import { ServerProblem } from '../api/http';
import { shopTime } from '../api/server-clock';
import type { KeptEvent } from './database';
import { newEntry } from './entry';
import { local, onNews } from './local';
import { pull } from './pull';
import { useSend } from './use-outbox';

const POLL_MS = 4000;

/** What a closed call still takes from this page; what others made before they knew comes by itself. */
const ENDS: ReadonlySet<EventBody['type']> = new Set(['reopened', 'closed', 'countersigned']);
const CLOSED = 'Not kept: this call is closed. Open it again first, and say why.';

export interface CallLog {
  /** Undefined while the browser's store is being read. */
  readonly events: readonly CallEvent[] | undefined;
  /** The same with their places in the order of arrival. */
  readonly arrived: readonly Arrived[];
  /** What those who are not at the machine see of the call. */
  readonly overview: Overview;
  /** Who looks at it now, by their full names. */
  readonly looking: readonly string[];
  /** Keeps an entry in this browser; it is sent when it can be. */
  readonly append: (body: EventBody) => Promise<void>;
  /**
   * Tells of an entry while it is being written, with the log as it will be. What the listener answers with, soon, is done in the
   * moment in which the log has it: the page is drawn once.
   */
  readonly onMaking: (listen: Making) => () => void;
  /** Why the newest entry is not kept: then it is not in the log. */
  readonly notKept: string | undefined;
  /** The server says there is no such call, and this browser has none either. */
  readonly missing: string | undefined;
}

/** Thinks about a log that is being written; resolves with what shows its answer. */
type Making = (log: readonly CallEvent[]) => Promise<(kept: readonly CallEvent[]) => void>;

/** As long as an entry that is kept waits for what is thought about it, milliseconds. */
const SOON_MS = 60;

type Log = Pick<CallLog, 'events' | 'arrived'>;
const UNREAD: Log = { events: undefined, arrived: [] };

/** The log of one call: read from the browser's store, fed by this tab, other tabs and the server. */
export function useCall(call: string, me: Me): CallLog {
  const { name: person, role, grants } = me;
  const own = useMemo(() => ({ role, grants }), [role, grants]);
  const [{ events, arrived }, setLog] = useState<Log>(UNREAD);
  const [notKept, setNotKept] = useState<string>();
  const [missing, setMissing] = useState<string>();
  const [looking, setLooking] = useState<readonly string[]>([]);
  const newest = useRef<readonly CallEvent[]>([]);
  /** The clock value of the newest entry made here, so that two quick entries get different ones. */
  const clock = useRef(0);
  const send = useSend();
  const [listeners] = useState(() => new Set<Making>());
  /** Entries that are being written here: what the store says of them meanwhile is no news. */
  const making = useRef(0);
  const readAgain = useRef<() => Promise<void>>(undefined);

  useEffect(() => {
    newest.current = [];
    clock.current = 0;
    let here = true;
    const reread = async (): Promise<void> => {
      const now = await local.events(call, person);
      if (!here || making.current > 0) return;
      const came = now.map((k) => ({ event: vouchedFor(k, person, own), number: k.number ?? Infinity }));
      const all = mergeEvents(came.map((a) => a.event));
      if (!isSame(all, newest.current)) newest.current = all;
      // A log without news stays the same one, so that nobody thinks about it or draws it twice.
      setLog((before) => ({
        events: newest.current,
        arrived: hasSamePlaces(came, before.arrived) ? before.arrived : came,
      }));
    };
    readAgain.current = reread;
    const fetchNew = async (): Promise<void> => {
      try {
        // What was opened here a moment ago the server does not know yet.
        const mine = await local.events(call, person);
        if (mine.length > 0 && mine.every((k) => k.sent === 0)) await send();
        const now = await pull(call);
        if (here) setLooking((before) => (before.join() === now.join() ? before : now));
        setMissing(undefined);
      } catch (error) {
        if (!(error instanceof ServerProblem)) throw error;
        if (error.status === 404 && newest.current.length === 0) setMissing(error.message);
      }
    };
    let busy = reread().then(fetchNew);
    const stopNews = onNews((news) => news.call === call && void reread());
    const again = (): void => void (busy = busy.then(fetchNew, fetchNew));
    const timer = setInterval(() => document.visibilityState === 'visible' && again(), POLL_MS);
    window.addEventListener('online', again);
    return () => {
      here = false;
      stopNews();
      clearInterval(timer);
      window.removeEventListener('online', again);
    };
  }, [call, person, own, send]);

  const overview = useMemo(() => overviewOf(arrived, shopTime()), [arrived]);
  const { state } = overview;
  const append = useCallback(
    async (body: EventBody) => {
      if (newest.current.length === 0) await readAgain.current?.();
      if (state !== 'open' && !ENDS.has(body.type)) return setNotKept(CLOSED);
      clock.current = Math.max(clock.current + 1, nextSeq(newest.current));
      const event = vouchedFor({ event: newEntry(call, person, clock.current, body) }, person, own);
      const log = mergeEvents(newest.current, [event]);
      const answers = Promise.all([...listeners].map((listen) => listen(log)));
      making.current++;
      try {
        const { as: _own, ...entry } = event;
        await local.append(entry);
        const shows = await soon(answers);
        const kept = mergeEvents(newest.current, [event]);
        newest.current = kept;
        setLog((before) => ({ events: kept, arrived: [...before.arrived, { event, number: Infinity }] }));
        if (isSame(kept, log)) shows?.forEach((show) => show(kept));
        setNotKept(undefined);
        void send();
      } catch (error) {
        setNotKept(notKeptWords(error));
      } finally {
        making.current--;
        // What came from elsewhere meanwhile.
        void readAgain.current?.();
      }
    },
    [call, listeners, own, person, send, state],
  );
  const onMaking = useCallback<CallLog['onMaking']>(
    (listen) => {
      listeners.add(listen);
      return () => listeners.delete(listen);
    },
    [listeners],
  );
  return { events, arrived, overview, append, onMaking, notKept, missing, looking };
}

/** What comes soon; nothing where it takes longer, or fails. */
const soon = <T>(answer: Promise<T>): Promise<T | undefined> =>
  Promise.race([
    answer.catch(() => undefined),
    new Promise<undefined>((resolve) => setTimeout(() => resolve(undefined), SOON_MS)),
  ]);

/** An entry with what its person might do: what waits here, or was only just sent, is one’s own. */
function vouchedFor({ event, as }: Pick<KeptEvent, 'event' | 'as'>, person: string, own: Authority): CallEvent {
  const authority = as ?? (event.person === person ? own : undefined);
  return authority ? { ...event, as: authority } : event;
}

/** Whether nothing came, and nothing that was there changed (words may have been taken out). */
const isSame = (a: readonly CallEvent[], b: readonly CallEvent[]): boolean =>
  a.length === b.length &&
  a.every(
    (e, i) => e.id === b[i]!.id && wordsOf(e) === wordsOf(b[i]!) && (e.as === undefined) === (b[i]!.as === undefined),
  );

const hasSamePlaces = (a: readonly Arrived[], b: readonly Arrived[]): boolean =>
  isSame(
    a.map((x) => x.event),
    b.map((x) => x.event),
  ) && a.every((x, i) => x.number === b[i]!.number);

const wordsOf = ({ body }: CallEvent): string | undefined => ('text' in body ? body.text : undefined);

const notKeptWords = (error: unknown): string =>
  (error as DOMException).name === 'QuotaExceededError'
    ? 'Not kept: this device has no room left. Free some room, then enter it again; write it down until then.'
    : `Not kept on this device (${(error as Error).message}). Enter it again; write it down until then.`;
