import { useQuery } from '@tanstack/react-query';
import type { ChangeOf, Machine, MachineChange } from '@zetalysis/contract';
import { SHEET, type SheetId } from '@zetalysis/core/history';
import { http } from '../../api/http';
import { Dialog } from '../../kit/Dialog';
import { Notice } from '../../kit/Notice';
import { Table } from '../../kit/Table';

const WHEN = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' });

const TITLES: Readonly<Record<ChangeOf, string>> = {
  register: 'Register',
  sheet: 'Plate',
  build: 'Build',
  wires: 'Wires',
  retired: 'Retired',
  merged: 'Merged',
};

/** Everything that was ever changed of a machine: nothing is overwritten. */
export function ChangesDialog({ machine, onClose }: { readonly machine: Machine; readonly onClose: () => void }) {
  const changes = useQuery({
    queryKey: ['changes', machine.id],
    queryFn: () => http('GET /machines/:id/changes', { params: { id: machine.id } }),
  });
  return (
    <Dialog title={`What was changed: ${machine.label}`} onClose={onClose} width={760}>
      {changes.error && <Notice kind="problem">{changes.error.message}</Notice>}
      <Table
        label="What was changed"
        rows={changes.data ?? []}
        keyOf={(c) => c.id}
        loading={changes.isPending}
        empty="Nothing was changed since it came into the register."
        columns={[
          { title: 'When', cell: (c) => WHEN.format(new Date(c.at)) },
          { title: 'By', cell: (c) => c.by },
          { title: 'What', cell: (c) => TITLES[c.what] },
          {
            title: 'From what to what',
            wide: true,
            cell: (c) => wordsOf(c).map((words) => <div key={words}>{words}</div>),
          },
        ]}
      />
    </Dialog>
  );
}

const NAMES: Readonly<Record<string, string>> = {
  label: 'Name',
  site: 'Site',
  make: 'Make',
  modelName: 'Model',
  serial: 'Serial',
  retired: 'Retired',
};

function wordsOf({ what, was, becomes }: MachineChange): string[] {
  if (what === 'merged') return [becomes.mergedInto === null ? 'Taken apart again' : 'Counted with another machine'];
  return differences(was, becomes);
}

/** Field by field, as deep as they go: what it was, and what it is now. */
function differences(was: unknown, becomes: unknown, name = ''): string[] {
  if (JSON.stringify(was) === JSON.stringify(becomes)) return [];
  if (isFields(was) || isFields(becomes)) {
    const [a, b] = [isFields(was) ? was : {}, isFields(becomes) ? becomes : {}];
    return [...new Set([...Object.keys(a), ...Object.keys(b)])].flatMap((key) =>
      differences(a[key], b[key], titleOf(key, name)),
    );
  }
  return [`${name}: ${said(was)} → ${said(becomes)}`];
}

const isFields = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const titleOf = (key: string, inside: string): string => {
  const own = NAMES[key] ?? (key in SHEET ? SHEET[key as SheetId].title : key);
  return inside === '' || ['sheet', 'wires', 'build'].includes(inside) ? own : `${inside} ${own}`;
};

const said = (value: unknown): string => {
  if (value === null || value === undefined || value === '') return 'nothing';
  return Array.isArray(value) ? value.join(', ') || 'nothing' : String(value);
};
