import { useQueryClient } from '@tanstack/react-query';
import { lazy, Suspense, useEffect, useState, useSyncExternalStore } from 'react';
import { Link, NavLink } from 'react-router';
import type { Me } from '@zetalysis/contract';
import { leave } from '../api/identity';
import { clockOffset, onServerClock } from '../api/server-clock';
import { getReady } from '../store/get-ready';
import { outboxWords } from '../store/outbox-words';
import { OutboxStateContext, SendContext, useSending } from '../store/use-outbox';
import { canSpeak, useSpeech } from '../kit/use-speech';
import { useTheme } from '../theme/use-theme';
import { HeadSlot } from './head-slot';
import { PLACES } from './places';
import { PlacesBar } from './PlacesBar';
import styles from './Shell.module.css';

// Loaded when somebody asks for it.
const Waits = lazy(() => import('./Waits'));

interface Props {
  readonly me: Me;
  /** A call says in the head whose machine it is; where else one can go stands in the menu then. */
  readonly inCall?: boolean;
  readonly children: React.ReactNode;
}

/** The frame around every place: the head bar that turns down into the flue. What waits to be sent is sent from here. */
export function Shell({ me, inCall = false, children }: Props) {
  const [theme, toggle] = useTheme();
  const [speaks, speak] = useSpeech();
  const [asked, setAsked] = useState<'waiting' | 'leaving'>();
  const [slot, setSlot] = useState<HTMLElement | null>(null);
  const outbox = useSending(me.name);
  const queries = useQueryClient();
  useEffect(() => void getReady(queries).catch(() => undefined), [queries, me.id]);
  const waiting = 'waiting' in outbox.state ? outbox.state.waiting : 0;
  const out = (): void => {
    leave();
    // Nothing of one person stays in the memory of the page for the next. The session is ended at the server from there.
    location.assign('/sign-in');
  };
  const places = PLACES.map(({ to, title }) => (
    <NavLink key={to} to={to} end={to === '/'}>
      {title}
    </NavLink>
  ));
  const own = (
    <>
      <button type="button" onClick={toggle}>
        {theme === 'day' ? 'Dark' : 'Light'}
      </button>
      {inCall && canSpeak && (
        <button type="button" aria-pressed={speaks} onClick={speak}>
          {speaks ? 'Be silent' : 'Read the next test aloud'}
        </button>
      )}
      <Link to="/me" className={styles.who} aria-label={`${me.fullName}: sessions and password`}>
        <span className={styles.full}>{me.fullName}</span>
        <span className={styles.initials}>{initials(me.fullName)}</span>
      </Link>
      <button type="button" onClick={() => (waiting > 0 ? setAsked('leaving') : out())}>
        Sign out
      </button>
    </>
  );
  return (
    <SendContext value={outbox.send}>
      <OutboxStateContext value={outbox.state}>
        <HeadSlot value={slot}>
          <div className={styles.frame} data-in-call={inCall || undefined}>
            <header className={styles.shell}>
              <Link to="/" className={styles.brand} aria-label={inCall ? 'Today' : 'Zetalysis, today'}>
                <Mark /> <span className={styles.name}>{!inCall && 'Zetalysis'}</span>
              </Link>
              {!inCall && (
                <nav className={styles.wide} aria-label="Places">
                  {places}
                </nav>
              )}
              <div ref={setSlot} className={styles.slot} />
              <span className={styles.end}>
                {waiting > 0 && (
                  <button
                    type="button"
                    className={styles.waits}
                    data-outbox={outbox.state.kind}
                    onClick={() => setAsked('waiting')}
                  >
                    {waiting} to send
                  </button>
                )}
                {inCall ? (
                  <details className={styles.menu}>
                    <summary aria-label={`Menu: places, ${me.fullName}, light, sign out`}>
                      <svg viewBox="0 0 20 20" aria-hidden="true">
                        <path d="M2 5h16M2 10h16M2 15h16" />
                      </svg>
                    </summary>
                    <div>
                      <nav aria-label="Places">{places.slice(1)}</nav>
                      {own}
                    </div>
                  </details>
                ) : (
                  own
                )}
              </span>
            </header>
            <ClockWrong />
            <div className={styles.place}>{children}</div>
            {!inCall && <PlacesBar />}
          </div>
        </HeadSlot>
        {asked !== undefined && (
          <Suspense>
            <Waits
              me={me}
              words={outboxWords(outbox.state)}
              leaving={asked === 'leaving'}
              onSend={outbox.send}
              onLeave={out}
              onClose={() => setAsked(undefined)}
            />
          </Suspense>
        )}
      </OutboxStateContext>
    </SendContext>
  );
}

/** The cord that burns: our mark. */
const Mark = () => (
  <svg className={styles.mark} viewBox="0 0 22 40" aria-hidden="true">
    <path d="M11 0v24" stroke="var(--hot-1)" strokeWidth="4" />
    <path d="M11 28v12" stroke="var(--flue-soft)" strokeWidth="2" strokeDasharray="3 3" />
    <circle cx="11" cy="7" r="5" fill="var(--hot-1)" />
    <path d="M11 12l8 8-8 8-8-8z" fill="var(--hot-0)" stroke="var(--hot-1)" strokeWidth="2.5" />
    <circle cx="11" cy="34" r="4" fill="var(--flue-0)" stroke="var(--flue-soft)" strokeWidth="2" />
  </svg>
);

const initials = (name: string): string =>
  name
    .split(' ')
    .map((part) => part[0] ?? '')
    .join('');

/** This device's clock is wrong: entries are noted with the difference, and shown by the shop's clock. */
function ClockWrong() {
  const offset = useSyncExternalStore(onServerClock, clockOffset);
  if (offset === undefined) return null;
  const minutes = Math.max(1, Math.round(Math.abs(offset) / 60_000));
  return (
    <p role="status" className={styles.clock}>
      This device’s clock is {minutes} min {offset > 0 ? 'fast' : 'slow'}. Entries are noted by the shop’s clock; set
      this one right.
    </p>
  );
}
