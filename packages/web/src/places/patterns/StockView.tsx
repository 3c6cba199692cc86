import type { KeptItem, Me } from '@zetalysis/contract';
import { SHELF, shortOf, substitutesOf, unitsIn } from '@zetalysis/core/book';
import { useState } from 'react';
import { Block } from '../../kit/Block';
import { Button } from '../../kit/Button';
import { Notice } from '../../kit/Notice';
import { Search } from '../../kit/Search';
import { Table } from '../../kit/Table';
import { Waiting } from '../../kit/Waiting';
import { ItemDialog } from './ItemDialog';
import { saveTable } from './save-table';
import { useStock, useVans } from '../../api/stock';
import styles from './Van.module.css';

/** Every part that the shop keeps: on the shelf, in each van, what stands in for it, and what is to be reordered. */
export function StockView({ me }: { readonly me: Me }) {
  const { data, error } = useStock();
  const vans = useVans();
  const [search, setSearch] = useState('');
  const [open, setOpen] = useState<KeptItem | 'new'>();
  if (error) return <Notice kind="problem">{error.message}</Notice>;
  if (!data) return <Waiting>Reading the stock…</Waiting>;
  const words = search.toLowerCase();
  const rows = data.filter((i) => `${i.title} ${i.number}`.toLowerCase().includes(words));
  const short = new Map(shortOf(data).flatMap((s) => (s.place === SHELF ? [[s.item.id, s.missing]] : [])));
  const carried = vans.filter((v) => data.some((i) => unitsIn(i, v.id) > 0));
  const least = (i: KeptItem): number => i.held.find((h) => h.place === SHELF)?.least ?? 0;
  return (
    <Block
      title="Stock"
      note={
        <>
          {short.size} to reorder{' '}
          <Button
            tone="quiet"
            onClick={() =>
              saveTable(
                'stock',
                data.map((i) => ({
                  part: i.title,
                  number: i.number,
                  price: i.price,
                  litres: i.room,
                  shelf: unitsIn(i, SHELF),
                  least: least(i),
                  reorder: short.get(i.id) ?? 0,
                  ...Object.fromEntries(carried.map((v) => [v.fullName, unitsIn(i, v.id)])),
                  instead: substitutesOf(data, i)
                    .map((o) => o.number || o.title)
                    .join(' '),
                })),
              )
            }
          >
            CSV
          </Button>
        </>
      }
    >
      <div className={styles.which}>
        <Search label="Find a part" placeholder="name or number" onSearch={setSearch} />
        {me.role !== 'apprentice' && <Button onClick={() => setOpen('new')}>A new part</Button>}
      </div>
      <Table
        label="Stock"
        rows={rows}
        keyOf={({ id }) => id}
        empty="No part is called so."
        columns={[
          {
            title: 'Part',
            cell: (i) => (
              <Button tone="quiet" onClick={() => setOpen(i)}>
                {i.title}
              </Button>
            ),
          },
          { title: 'Number', cell: (i) => i.number },
          { title: 'Price', figures: true, cell: (i) => i.price ?? '–' },
          { title: 'Litres', figures: true, cell: (i) => i.room ?? '–' },
          { title: 'Shelf', figures: true, cell: (i) => unitsIn(i, SHELF) },
          { title: 'Least', figures: true, cell: (i) => least(i) },
          {
            title: 'Reorder',
            figures: true,
            cell: (i) => (short.has(i.id) ? <b>+ {short.get(i.id)}</b> : ''),
          },
          ...carried.map((v) => ({
            title: v.fullName,
            figures: true as const,
            cell: (i: KeptItem) => unitsIn(i, v.id) || '',
          })),
          {
            title: 'Stands in for it',
            wide: true,
            cell: (i) =>
              substitutesOf(data, i)
                .map((o) => o.number || o.title)
                .join(', '),
          },
        ]}
      />
      {open && (
        <ItemDialog item={open === 'new' ? undefined : open} items={data} me={me} onClose={() => setOpen(undefined)} />
      )}
    </Block>
  );
}
