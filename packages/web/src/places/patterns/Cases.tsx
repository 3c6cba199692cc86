import type { PatternsFilter } from '@zetalysis/contract';
import { Link } from 'react-router';
import { Dialog } from '../../kit/Dialog';
import { Notice } from '../../kit/Notice';
import { Table } from '../../kit/Table';
import { Button } from '../../kit/Button';
import { saveTable } from './save-table';
import { type Behind, useCases } from './use-patterns';

interface Props {
  readonly behind: Behind;
  readonly filter: PatternsFilter;
  readonly onClose: () => void;
}

/** The calls behind a figure. */
export function Cases({ behind, filter, onClose }: Props) {
  const { data, error, isPending } = useCases(filter, behind);
  const cases = data?.cases ?? [];
  return (
    <Dialog title={behind.title} onClose={onClose} width={900}>
      {error && <Notice kind="problem">{error.message}</Notice>}
      <Table
        label={`Calls: ${behind.title}`}
        rows={cases}
        keyOf={({ call }) => call}
        loading={isPending}
        empty="No call stands behind it."
        columns={[
          {
            title: 'Machine',
            cell: ({ call, machine }) => <Link to={`/calls/${call}`}>{machine ?? 'No machine'}</Link>,
          },
          { title: 'Opened', figures: true, cell: ({ openedAt }) => openedAt.slice(0, 10) },
          { title: 'Broke', cell: ({ title }) => title },
          { title: 'Cause', cell: ({ cause }) => cause },
          { title: '', cell: ({ standing }) => standing },
          { title: 'By', cell: ({ person }) => person },
          { title: '', cell: ({ call }) => <Link to={`/calls/${call}/review`}>Review</Link> },
        ]}
      />
      <Button onClick={() => saveTable('calls', cases)} disabled={cases.length === 0}>
        CSV
      </Button>
    </Dialog>
  );
}
