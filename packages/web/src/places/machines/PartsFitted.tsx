import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { type FittedPart, fittedParts } from '@zetalysis/core/history';
import { capital } from '@zetalysis/core/units';
import type { Machine } from '@zetalysis/contract';
import { entriesQuery } from '../../api/queries';
import { today } from '../../api/today';
import { Block } from '../../kit/Block';
import { Table } from '../../kit/Table';

const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });

/** What was fitted into a machine or mended, by what number, and whether it is under warranty; nothing where nothing was. */
export function PartsFitted({ machine }: { readonly machine: Machine }) {
  const entries = useQuery(entriesQuery(machine.id));
  const parts = fittedParts(entries.data ?? [], today());
  if (parts.length === 0) return null;
  const held = parts.filter((p) => p.underWarranty).length;
  return (
    <Block title="Parts fitted or mended" note={held > 0 && `${held} under warranty`}>
      <Table
        label="Parts fitted"
        rows={parts}
        keyOf={(p) => p.part}
        empty=""
        columns={[
          { title: 'Part', cell: (p) => capital(p.title) },
          { title: 'Fitted', cell: (p) => <Link to={`/calls/${p.call}`}>{DAY.format(new Date(p.at))}</Link> },
          { title: 'Number', cell: (p) => p.number },
          { title: 'Warranty', cell: (p) => warrantyWords(p) },
        ]}
      />
    </Block>
  );
}

const warrantyWords = ({ warranty, underWarranty }: FittedPart): string =>
  warranty === '' ? '–' : `${underWarranty ? 'until' : 'ended'} ${warranty}`;
