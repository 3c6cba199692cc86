import { Table as AntTable } from 'antd';
import type { ReactNode } from 'react';
import { Empty } from './Empty';
import styles from './Table.module.css';

interface Column<Row> {
  readonly title: string;
  readonly cell: (row: Row) => ReactNode;
  /** Figures: written in letters of one width. */
  readonly figures?: true;
  /** The table may be sorted by it, under this name. */
  readonly sort?: string;
}

/** Which part of a longer list is shown, and how it is sorted. */
export interface Part {
  /** From 1. */
  readonly page: number;
  readonly sort: string;
  readonly order: 'up' | 'down';
}

/** A list that is paged and sorted where it is kept. */
interface Paged {
  readonly part: Part;
  /** How many rows one page has, and how many there are in all. */
  readonly size: number;
  readonly total: number;
  readonly onPart: (part: Part) => void;
}

interface Props<Row> {
  readonly label: string;
  readonly rows: readonly Row[];
  readonly keyOf: (row: Row) => string;
  /** The first one names the row, and stays in sight when the others scroll. */
  readonly columns: readonly Column<Row>[];
  /** What is said where there is no row. */
  readonly empty: string;
  readonly loading?: boolean;
  /** Given, the rows are one page of many; else they are all. */
  readonly paged?: Paged;
}

const ORDERS = { up: 'ascend', down: 'descend' } as const;

/** Rows and columns; wider than its room it scrolls in itself. */
export function Table<Row extends object>({ label, rows, keyOf, columns, empty, loading = false, paged }: Props<Row>) {
  return (
    <div className={styles.table} role="group" tabIndex={0} aria-label={label}>
      <AntTable<Row>
        size="middle"
        rowKey={keyOf}
        loading={loading}
        dataSource={[...rows]}
        pagination={
          paged && paged.total > paged.size
            ? { current: paged.part.page, pageSize: paged.size, total: paged.total, showSizeChanger: false }
            : false
        }
        locale={{ emptyText: <Empty>{empty}</Empty> }}
        onChange={({ current = 1 }, _filters, sorter, { action }) => {
          if (!paged) return;
          const { columnKey, order } = Array.isArray(sorter) ? sorter[0]! : sorter;
          if (action === 'paginate') paged.onPart({ ...paged.part, page: current });
          else if (action === 'sort')
            paged.onPart({ page: 1, sort: String(columnKey), order: order === 'descend' ? 'down' : 'up' });
        }}
        columns={columns.map(({ title, cell, figures, sort }, i) => ({
          key: sort ?? `${i} ${title}`,
          title,
          render: (_: unknown, row: Row) => cell(row),
          ...(sort !== undefined && paged
            ? {
                sorter: true,
                sortOrder: paged.part.sort === sort ? ORDERS[paged.part.order] : null,
                sortDirections: [ORDERS.up, ORDERS.down, ORDERS.up],
              }
            : {}),
          ...(i === 0 ? { rowScope: 'row' as const, className: styles.first! } : {}),
          ...(figures ? { className: styles.figures! } : {}),
        }))}
      />
    </div>
  );
}
