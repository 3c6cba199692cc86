import type { CallSummary } from '@zetalysis/contract';
import { shopTime } from '../../api/server-clock';
import { Block } from '../../kit/Block';
import { clock } from '../../kit/clock';
import { TICKING, useNow } from '../../kit/use-now';
import styles from './Clocks.module.css';
import { Where } from './ToPutBack';

/** Clocks that were set on the open calls: how far each has run. */
export function Clocks({ calls }: { calls: readonly CallSummary[] }) {
  const clocks = calls.flatMap((call) => call.overview.clocks.map((c) => ({ call, ...c })));
  const now = shopTime(useNow(clocks.length > 0 ? TICKING : undefined));
  if (clocks.length === 0) return null;
  return (
    <Block title="Clocks that run" note={clocks.length}>
      <ul>
        {clocks.map(({ call, title, since, ends }, i) => {
          const [from, to] = [Date.parse(since), Date.parse(ends)];
          const share = Math.min(1, Math.max(0, (now - from) / (to - from)));
          return (
            <li key={`${call.id} ${i}`} className={styles.clock}>
              <span>
                <b>{title}</b> <Where call={call} />
              </span>
              <strong>{to > now ? clock(to - now) : 'is over'}</strong>
              <progress value={share} aria-label={`${title}: how much of it is over`} />
            </li>
          );
        })}
      </ul>
    </Block>
  );
}
