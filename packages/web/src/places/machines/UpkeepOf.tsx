import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { Machine } from '@zetalysis/contract';
import { dueWords, dutyWith } from '@zetalysis/core/upkeep';
import { http } from '../../api/http';
import { today } from '../../api/today';
import { Block } from '../../kit/Block';
import styles from './MachinePage.module.css';

/** What this machine asks for next, on its page. */
const MOST = 4;

/** The next duties of a machine. */
export function UpkeepOf({ machine: { id } }: { readonly machine: Machine }) {
  const upkeep = useQuery({
    queryKey: ['upkeep', id],
    queryFn: () => http('GET /machines/:id/upkeep', { params: { id } }),
  });
  const now = today();
  const next = (upkeep.data?.duties ?? [])
    .flatMap(({ duty, due }) => (due ? [{ duty, due }] : []))
    .sort((a, b) => (a.due.day < b.due.day ? -1 : 1))
    .slice(0, MOST);
  return (
    <Block title="Due" note={<Link to={`/machines/${id}/upkeep`}>Upkeep and its log</Link>}>
      {upkeep.error && <p className="problem">{upkeep.error.message}</p>}
      <ul>
        {next.map(({ duty, due }) => (
          <li key={duty} className={styles.line}>
            <span>{dutyWith(duty)?.title}</span>
            <b>{dueWords(due, now)}</b>
          </li>
        ))}
      </ul>
    </Block>
  );
}
