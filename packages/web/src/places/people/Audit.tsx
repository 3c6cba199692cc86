import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Audited } from '@zetalysis/contract';
import { http } from '../../api/http';
import { Block } from '../../kit/Block';
import { Notice } from '../../kit/Notice';
import { Pages } from '../../kit/Pages';
import { Table } from '../../kit/Table';

const moment = new Intl.DateTimeFormat('en', {
  day: 'numeric',
  month: 'short',
  year: 'numeric',
  hour: '2-digit',
  minute: '2-digit',
});

const WHAT: Readonly<Record<Audited['what'], string>> = {
  account: 'Account opened',
  role: 'Role changed',
  password: 'New password given',
  disabled: 'Account',
  grants: 'Trained for',
  sessions: 'Sessions',
  settings: 'Paper and prices of the shop',
  limits: 'Limits of the shop',
  address: 'Address without account',
  export: 'Taken out',
  import: 'Brought in',
  erased: 'Erased',
};

/** What was done to accounts and settings, the newest first; nothing of it can be changed. */
export function Audit() {
  const [page, setPage] = useState(1);
  const audit = useQuery({
    queryKey: ['audit', page],
    queryFn: () => http('GET /people/audit', { query: { page: String(page), size: '25' } }),
    placeholderData: (before) => before,
  });
  return (
    <Block title="What was done to accounts and settings" note={audit.data?.total}>
      {audit.error && <Notice kind="problem">{audit.error.message}</Notice>}
      <Table<Audited>
        label="What was done, scrolls sideways"
        rows={audit.data?.entries ?? []}
        keyOf={(a) => a.id}
        loading={audit.isPending}
        empty="Nothing yet."
        columns={[
          { title: 'When', cell: (a) => moment.format(new Date(a.at)), figures: true },
          { title: 'What', cell: (a) => WHAT[a.what] },
          { title: 'Of', cell: (a) => a.of },
          { title: '', wide: true, cell: (a) => a.words },
          { title: 'By', cell: (a) => a.by ?? 'whoever runs the server' },
        ]}
      />
      <Pages page={page} size={25} total={audit.data?.total ?? 0} onPage={setPage} />
    </Block>
  );
}
