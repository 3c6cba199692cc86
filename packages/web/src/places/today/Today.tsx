import { useQuery } from '@tanstack/react-query';
import { Link, useNavigate } from 'react-router';
import { http } from '../../api/http';
import type { CallSummary } from '@zetalysis/contract';
import { Button } from '../../kit/Button';
import { Cards } from '../../kit/Cards';
import { Empty } from '../../kit/Empty';
import { Notice } from '../../kit/Notice';
import { Page } from '../../kit/Page';
import { Status } from '../../kit/Status';
import { Table } from '../../kit/Table';
import { Waiting } from '../../kit/Waiting';
import styles from './Today.module.css';

const day = new Intl.DateTimeFormat('en', {
  weekday: 'short',
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
});

/** Open calls first, what was found in the others, and bypasses that are still in place. */
export default function Today() {
  const calls = useQuery({
    queryKey: ['calls'],
    queryFn: () => http('GET /calls'),
    refetchInterval: 15_000,
  });
  const navigate = useNavigate();
  const open = calls.data?.filter((c) => !c.closed) ?? [];
  const done = calls.data?.filter((c) => c.closed) ?? [];
  const bypassed = open.filter((c) => c.bypassed.length > 0);
  return (
    <Page
      title="Today"
      actions={
        <Button tone="main" onClick={() => void navigate('/calls/new')}>
          Open a call
        </Button>
      }
    >
      {calls.error && <Notice kind="problem">{calls.error.message}</Notice>}
      {bypassed.map((c) => (
        <Notice key={c.id} kind="danger">
          Bypass in place: {c.bypassed.join(', ')} at{' '}
          <Link to={`/calls/${c.id}`}>{c.machine?.label ?? 'a machine'}</Link>. Take it off before you leave.
        </Notice>
      ))}
      {calls.isPending && <Waiting>Reading the calls…</Waiting>}
      {calls.data && (
        <>
          <h2>Open</h2>
          {open.length === 0 && <Empty>No open calls.</Empty>}
          <Cards>
            {open.map((c) => (
              <Card key={c.id} call={c} />
            ))}
          </Cards>
          <h2>Closed</h2>
          <Closed calls={done} />
        </>
      )}
    </Page>
  );
}

const Card = ({ call: c }: { call: CallSummary }) => (
  <li>
    <Link to={`/calls/${c.id}`} className={styles.card}>
      <strong>{c.machine?.label ?? c.profile}</strong>
      <span>{c.machine?.site}</span>
      <q>{c.complaint}</q>
      <span className="fine">
        {day.format(new Date(c.openedAt))}
        {c.record ? ` · break recorded: ${c.record.part}` : ' · no break recorded yet'}
      </span>
    </Link>
  </li>
);

const Closed = ({ calls }: { calls: readonly CallSummary[] }) => (
  <Table
    label="Closed calls, scrolls sideways"
    rows={calls}
    keyOf={(c) => c.id}
    page={10}
    empty="No call was closed yet."
    columns={[
      { title: 'Machine', cell: (c) => <Link to={`/calls/${c.id}`}>{c.machine?.label ?? c.profile}</Link> },
      { title: 'Complaint', cell: (c) => c.complaint },
      { title: 'Break', cell: (c) => (c.record ? `${c.record.part}: ${c.record.failure}` : '—') },
      { title: 'Cause', cell: (c) => c.record?.cause ?? '' },
      {
        title: 'Standing',
        cell: (c) =>
          c.record && <Status tone={c.record.standing === 'proved' ? 'good' : 'plain'}>{c.record.standing}</Status>,
      },
    ]}
  />
);
