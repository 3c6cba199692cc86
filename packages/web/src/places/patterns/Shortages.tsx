import type { KeptItem } from '@zetalysis/contract';
import { type LoadLine, SHELF, shortOf, substitutesOf, unitsIn } from '@zetalysis/core/book';
import { Link } from 'react-router';
import { Block } from '../../kit/Block';
import { Button } from '../../kit/Button';
import { Empty } from '../../kit/Empty';
import { percent } from './percent';
import { saveTable } from './save-table';
import styles from './Van.module.css';

interface Props {
  readonly items: readonly KeptItem[];
  readonly van: string;
  readonly toOrder: readonly LoadLine<KeptItem>[];
}

/** What is under its minimum on the shelf or in this van, and what a call of the day may need that nobody has. */
export function Shortages({ items, van, toOrder }: Props) {
  const short = shortOf(items).filter(({ place }) => place === SHELF || place === van);
  const rows = [
    ...toOrder.map(({ item, need, chance }) => ({
      key: `need ${item?.id ?? need.part}`,
      title: item?.title ?? need.title,
      note: `a call of the day may need it, ${percent(chance)} %`,
      missing: 1,
    })),
    ...short.map(({ item, place, units, least, missing }) => ({
      key: `${item.id} ${place}`,
      title: item.title,
      note: `least ${least}, ${place === SHELF ? 'on the shelf' : 'in the van'} ${units}${substituted(items, item)}`,
      missing,
    })),
  ];
  return (
    <Block
      title="To order"
      note={
        <Button
          tone="quiet"
          disabled={rows.length === 0}
          onClick={() =>
            saveTable(
              'order',
              rows.map(({ title, note, missing }) => ({ part: title, units: missing, why: note })),
            )
          }
        >
          CSV
        </Button>
      }
    >
      {rows.length === 0 && <Empty>Nothing is under its minimum.</Empty>}
      <ul className={styles.short}>
        {rows.slice(0, SHORT_SHOWN).map(({ key, title, note, missing }) => (
          <li key={key}>
            <span>
              <b>{title}</b>
              <small>{note}</small>
            </span>
            <b>+ {missing}</b>
          </li>
        ))}
      </ul>
      {rows.length > SHORT_SHOWN && (
        <p className={styles.fine}>
          and {rows.length - SHORT_SHOWN} more: <Link to="/patterns/stock">Stock</Link>
        </p>
      )}
    </Block>
  );
}

const SHORT_SHOWN = 5;

function substituted(items: readonly KeptItem[], item: KeptItem): string {
  const instead = substitutesOf(items, item).find((o) => unitsIn(o, SHELF) > 0);
  return instead ? ` · ${instead.number || instead.title} stands in` : '';
}
