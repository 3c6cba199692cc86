import { useState } from 'react';
import { Link } from 'react-router';
import type { DueDuty, Me } from '@zetalysis/contract';
import { can } from '@zetalysis/core/rules';
import { dueWords, dutyWith } from '@zetalysis/core/upkeep';
import { useDue } from '../../api/due';
import { today } from '../../api/today';
import { Block } from '../../kit/Block';
import { Button } from '../../kit/Button';
import { Empty } from '../../kit/Empty';
import { Notice } from '../../kit/Notice';
import { Page } from '../../kit/Page';
import { Waiting } from '../../kit/Waiting';
import { Words } from '../../kit/Words';
import { Addresses } from './Addresses';
import styles from './DuePage.module.css';

type Shown = 'all' | 'safety';

/** What is due in the whole shop, overdue first, by site: who drives somewhere sees what else waits there. */
export default function DuePage({ me }: { readonly me: Me }) {
  const due = useDue();
  const [shown, setShown] = useState<Shown>('all');
  const [addresses, setAddresses] = useState(false);
  const all = due.data ?? [];
  const asked = shown === 'all' ? all : all.filter(({ duty }) => dutyWith(duty)?.safety);
  const overdue = asked.filter((d) => d.due.state === 'overdue');
  return (
    <Page
      title="What is due"
      tools={
        <Words
          asTabs
          label="Which duties"
          value={shown}
          options={[
            { id: 'all', title: `All, ${all.length}` },
            { id: 'safety', title: 'Safeties only' },
          ]}
          onChange={setShown}
        />
      }
      actions={
        <span className={styles.screen}>
          <Button onClick={() => print()}>Print</Button>
          {can(me, 'tighten') === '+' && <Button onClick={() => setAddresses(true)}>Calendars and caretakers</Button>}
        </span>
      }
    >
      {due.error && <Notice kind="problem">{due.error.message}</Notice>}
      {due.isPending && <Waiting>Looking what is due…</Waiting>}
      {due.data && asked.length === 0 && <Empty>Nothing is due in the next sixty days.</Empty>}
      <BySite title="Overdue" due={overdue} />
      <BySite title="Coming" due={asked.filter((d) => d.due.state !== 'overdue')} />
      {addresses && <Addresses onClose={() => setAddresses(false)} />}
    </Page>
  );
}

function BySite({ title, due }: { readonly title: string; readonly due: readonly DueDuty[] }) {
  if (due.length === 0) return null;
  const sites = new Map<string, DueDuty[]>();
  for (const d of due) sites.set(d.machine.site, [...(sites.get(d.machine.site) ?? []), d]);
  const now = today();
  return (
    <Block title={title} note={due.length}>
      <ul className={styles.sites}>
        {[...sites].map(([site, duties]) => (
          <li key={site}>
            <h3>{site}</h3>
            <ul>
              {duties.map(({ machine, duty, last, due: when }) => (
                <li key={`${machine.id} ${duty}`} data-red={when.state === 'overdue' || undefined}>
                  <Link to={`/machines/${machine.id}/upkeep`}>{machine.label}</Link>
                  <span>{dutyWith(duty)?.title ?? duty}</span>
                  <b>{dueWords(when, now)}</b>
                  <small>{last ? `last ${last.day}, ${last.result}` : 'never written down'}</small>
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ul>
    </Block>
  );
}
