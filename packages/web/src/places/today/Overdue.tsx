import { Link } from 'react-router';
import { dueWords, dutyWith } from '@zetalysis/core/upkeep';
import { useDue } from '../../api/due';
import { today } from '../../api/today';
import { Block } from '../../kit/Block';
import styles from './ToPutBack.module.css';

/** So many stand on Today; the page of all that is due has the others. */
const MOST = 4;

/** Tests of safeties that failed or were missed: those that failed in red. */
export function Overdue() {
  const due = (useDue().data ?? []).filter((d) => d.due.state === 'overdue');
  const gravest = [
    ...due.filter((d) => d.due.failed),
    ...due.filter((d) => !d.due.failed && dutyWith(d.duty)?.safety),
  ].slice(0, MOST);
  return (
    <Block title="Due" note={due.length === 0 ? undefined : `${due.length} overdue`}>
      {gravest.map(({ machine, duty, due: when }) => (
        <div
          key={`${machine.id} ${duty}`}
          className={styles.tag}
          data-red={when.failed || undefined}
          role={when.failed ? 'alert' : undefined}
        >
          <span>
            <b>
              {dutyWith(duty)?.title}
              {when.failed && ': failed'}
            </b>{' '}
            <Link to={`/machines/${machine.id}/upkeep`}>{machine.label}</Link>
            {when.failed && '. It stays off until it is mended and shown to act.'}
          </span>
          <time>{dueWords(when, today())}</time>
        </div>
      ))}
      <p>
        <Link to="/due">All that is due</Link>
      </p>
    </Block>
  );
}
