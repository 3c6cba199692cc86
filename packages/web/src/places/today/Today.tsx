import { useQuery } from '@tanstack/react-query';
import { Button, Empty, Spin, Table, Tag } from 'antd';
import { Link, useNavigate } from 'react-router';
import { http } from '../../api/http';
import type { CallSummary } from '@zetalysis/contract';
import { Notice } from '../../kit/Notice';
import { Page } from '../../kit/Page';

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
        <Button type="primary" onClick={() => void navigate('/calls/new')}>
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
      {calls.isPending && <Spin />}
      {calls.data && (
        <>
          <h2>Open</h2>
          {open.length === 0 && <Empty description="No open calls." />}
          <ul className="call-cards">
            {open.map((c) => (
              <li key={c.id}>
                <Link to={`/calls/${c.id}`} className="call-card">
                  <strong>{c.machine?.label ?? c.profile}</strong>
                  <span>{c.machine?.site}</span>
                  <q>{c.complaint}</q>
                  <span className="fine">
                    {day.format(new Date(c.openedAt))}
                    {c.record ? ` · break recorded: ${c.record.part}` : ' · no break recorded yet'}
                  </span>
                </Link>
              </li>
            ))}
          </ul>
          <h2>Closed</h2>
          <Table<CallSummary>
            size="middle"
            rowKey="id"
            dataSource={done}
            pagination={done.length > 10 ? { pageSize: 10 } : false}
            columns={[
              {
                title: 'Machine',
                render: (_, c) => <Link to={`/calls/${c.id}`}>{c.machine?.label ?? c.profile}</Link>,
              },
              { title: 'Complaint', dataIndex: 'complaint' },
              { title: 'Break', render: (_, c) => (c.record ? `${c.record.part}: ${c.record.failure}` : '—') },
              { title: 'Cause', render: (_, c) => c.record?.cause ?? '' },
              { title: '', render: (_, c) => c.record && <Tag>{c.record.standing}</Tag> },
            ]}
          />
        </>
      )}
    </Page>
  );
}
