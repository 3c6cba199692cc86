import { useQueryClient } from '@tanstack/react-query';
import { lazy, Suspense, useEffect, useState } from 'react';
import { Link, NavLink } from 'react-router';
import type { Me } from '@zetalysis/contract';
import { leave } from '../api/identity';
import { clockOffset } from '../api/server-clock';
import { getReady } from '../store/get-ready';
import { outboxWords } from '../store/outbox-words';
import { OutboxContext, useSending } from '../store/use-outbox';
import { useTheme } from '../theme/use-theme';
import styles from './Shell.module.css';

// Loaded when somebody asks for it.
const Waits = lazy(() => import('./Waits'));

/** The frame around every place. What waits to be sent is sent from here, whatever page is open. */
export function Shell({ me, children }: { me: Me; children: React.ReactNode }) {
  const [theme, toggle] = useTheme();
  const [asked, setAsked] = useState<'waiting' | 'leaving'>();
  const outbox = useSending(me.name);
  const queries = useQueryClient();
  useEffect(() => void getReady(queries).catch(() => undefined), [queries, me.id]);
  const waiting = 'waiting' in outbox.state ? outbox.state.waiting : 0;
  const out = (): void => {
    leave();
    // Nothing of one person stays in the memory of the page for the next. The session is ended at the server from there.
    location.assign('/sign-in');
  };
  return (
    <OutboxContext value={outbox}>
      <div className={styles.frame}>
        <header className={styles.shell}>
          <Link to="/" className={styles.brand} aria-label="Zetalysis, today">
            <img src="/icon.svg" alt="" width="24" height="24" /> <span className={styles.name}>Zetalysis</span>
          </Link>
          <nav aria-label="Places">
            <NavLink to="/" end>
              Today
            </NavLink>
            <NavLink to="/machines">Machines</NavLink>
            <NavLink to="/library">Library</NavLink>
          </nav>
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
            <button type="button" onClick={toggle}>
              {theme === 'light' ? 'Cellar' : 'Daylight'}
            </button>
            <Link to="/me" className={styles.who} aria-label={`${me.fullName}: sessions and password`}>
              <span className={styles.full}>{me.fullName}</span>
              <span className={styles.initials}>{initials(me.fullName)}</span>
            </Link>
            <button type="button" onClick={() => (waiting > 0 ? setAsked('leaving') : out())}>
              Sign out
            </button>
          </span>
        </header>
        <ClockWrong />
        {children}
      </div>
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
    </OutboxContext>
  );
}

const initials = (name: string): string =>
  name
    .split(' ')
    .map((part) => part[0] ?? '')
    .join('');

/** This device's clock is wrong: entries are noted with the difference, and shown by the shop's clock. */
function ClockWrong() {
  const offset = clockOffset();
  if (offset === undefined) return null;
  const minutes = Math.max(1, Math.round(Math.abs(offset) / 60_000));
  return (
    <p role="status" className={styles.clock}>
      This device’s clock is {minutes} min {offset > 0 ? 'fast' : 'slow'}. Entries are noted by the shop’s clock; set
      this one right.
    </p>
  );
}
