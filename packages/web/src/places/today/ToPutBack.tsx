import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { CallSummary } from '@zetalysis/contract';
import { shopTime } from '../../api/server-clock';
import { Block } from '../../kit/Block';
import { useNow } from '../../kit/use-now';
import styles from './ToPutBack.module.css';
import { hour, openSince } from './waits-for';

const FRESH_MS = 5000;

/** What hangs on machines for now, each as a tag with its clock: safeties that are gone round in red, and first. */
export function ToPutBack({ calls }: { calls: readonly CallSummary[] }) {
  const now = shopTime(useNow(FRESH_MS));
  const bypasses = calls.flatMap((call) => call.overview.bypasses.map((b) => ({ call, b })));
  const temporary = calls.flatMap((call) => call.overview.temporary.map((t) => ({ call, t })));
  const late = calls.filter(({ overview }) => overview.state === 'late');
  const many = bypasses.length + temporary.length;
  if (many + late.length === 0) return null;
  return (
    <div data-first={bypasses.length + late.length > 0 || undefined}>
      <Block title="To put back" note={many}>
        {late.map((call) => (
          <Tag key={call.id} red clock="">
            <b>
              Open: late entry at <Where call={call} />.
            </b>{' '}
            It touches gas, power, a bypass, a danger or a repair. Read it, and settle it.
          </Tag>
        ))}
        {bypasses.map(({ call, b }) => {
          const over = now > Date.parse(b.until);
          return (
            <Tag key={`${call.id} ${b.id}`} red clock={openSince(b.since, now)}>
              <b>
                {over ? 'Bypass past its limit' : 'Bypass in place'}: {b.title} at <Where call={call} />.
              </b>{' '}
              By {b.person}, {hour(b.since)}; {over ? 'it had to be' : 'it has to be'} off by {hour(b.until)}. Take it
              off.
            </Tag>
          );
        })}
        {temporary.map(({ call, t }, i) => (
          <Tag key={`${call.id} ${i}`} clock={openSince(t.since, now)}>
            <b>{t.title}</b> <Where call={call} />, {t.person}
          </Tag>
        ))}
      </Block>
    </div>
  );
}

interface TagProps {
  /** A safety: read out at once. */
  readonly red?: boolean;
  /** How long it has been there. */
  readonly clock: string;
  readonly children: ReactNode;
}

const Tag = ({ red = false, clock, children }: TagProps) => (
  <div className={styles.tag} data-red={red || undefined} role={red ? 'alert' : undefined}>
    <span>{children}</span>
    <time>{clock}</time>
  </div>
);

export const Where = ({ call }: { call: CallSummary }) => (
  <Link to={`/calls/${call.id}`}>{call.machine?.label ?? 'a machine'}</Link>
);
