import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { leftToDo } from '@zetalysis/core/history';
import type { Machine } from '@zetalysis/contract';
import { entriesQuery } from '../../api/queries';
import { Block } from '../../kit/Block';
import styles from './MachinePage.module.css';

const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });

/** What was recommended on its calls and not declined; nothing where nothing was. */
export function LeftToDo({ machine }: { readonly machine: Machine }) {
  const entries = useQuery(entriesQuery(machine.id));
  const left = leftToDo(entries.data ?? []);
  if (left.length === 0) return null;
  const wanted = left.filter((l) => l.wanted).length;
  return (
    <Block title="Recommended" note={wanted > 0 && `${wanted} wanted`}>
      <ul>
        {left.map(({ id, words, call, at, wanted: asked }) => (
          <li key={id} className={styles.line}>
            <span>
              {words} <Link to={`/calls/${call}`}>{DAY.format(new Date(at))}</Link>
            </span>
            <b>{asked ? 'wanted' : 'not answered'}</b>
          </li>
        ))}
      </ul>
    </Block>
  );
}
