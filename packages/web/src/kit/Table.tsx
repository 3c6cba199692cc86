import { Table as AntTable } from 'antd';
import type { ReactNode } from 'react';
import { Empty } from './Empty';
import styles from './Table.module.css';

interface Column<Row> {
  readonly title: string;
  readonly cell: (row: Row) => ReactNode;
  /** Figures: written in letters of one width. */
  readonly figures?: true;
  /** Words that want room. */
  readonly wide?: true;
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
}

/** Rows and columns; wider than its room it scrolls in itself. */
export function Table<Row extends object>({ label, rows, keyOf, columns, empty, loading = false }: Props<Row>) {
  return (
    <div className={styles.table} role="group" tabIndex={0} aria-label={label}>
      <AntTable<Row>
        size="small"
        rowKey={keyOf}
        loading={loading}
        dataSource={[...rows]}
        pagination={false}
        locale={{ emptyText: <Empty>{empty}</Empty> }}
        columns={columns.map(({ title, cell, figures, wide }, i) => ({
          key: `${i} ${title}`,
          title,
          render: (_: unknown, row: Row) => cell(row),
          ...(i === 0 ? { rowScope: 'row' as const, className: styles.first! } : {}),
          ...(figures ? { className: styles.figures! } : {}),
          ...(wide ? { className: styles.wide! } : {}),
        }))}
      />
    </div>
  );
}
