import type { KeptItem } from '@zetalysis/contract';
import { type LoadLine, type Measure, SHELF, substitutesOf, unitsIn } from '@zetalysis/core/book';
import { Button } from '../../kit/Button';
import { percent } from './percent';
import styles from './Van.module.css';

interface Props {
  readonly line: LoadLine<KeptItem>;
  readonly van: string;
  readonly items: readonly KeptItem[];
  readonly measure: Measure;
  readonly places: ReadonlyMap<string, string>;
  readonly onTap: () => void;
  readonly onWrite: (() => void) | undefined;
}

/** A part that a call of the day may need: how likely, for which, where it lies, and whether it goes. */
export function PartRow({ line, van, items, measure, places, onTap, onWrite }: Props) {
  const { item, need, chance, calls, state, units } = line;
  const goes = state === 'load' || state === 'along';
  const title = item?.title ?? need.title;
  const others = item
    ? substitutesOf(items, item).filter((s) => s.fits.some((f) => f.profile === need.profile && f.part === need.part))
    : [];
  const where = item && [
    ...(unitsIn(item, van) > 0 ? [`van ${unitsIn(item, van)}`] : []),
    ...(unitsIn(item, SHELF) > 0 ? [`shelf ${unitsIn(item, SHELF)}`] : []),
  ];
  const weight = measure === 'price' ? item?.price : item?.room;
  return (
    <tr data-goes={goes || undefined}>
      <th scope="row">
        <button type="button" aria-pressed={goes} disabled={state === 'order' || state === 'unkept'} onClick={onTap}>
          <svg viewBox="0 0 24 24" aria-hidden="true">
            <circle cx="12" cy="12" r="10" />
            {goes && <path d="M7 12.5l3.5 3.5L17 9" />}
          </svg>
          <span>
            {title}
            {units > 1 && `, ${units} of them`}
            <small>
              {item?.number ?? 'not kept'}
              {others.length > 0 && ` · or ${others.map((o) => o.number || o.title).join(', ')}`}
            </small>
          </span>
        </button>
      </th>
      <td>
        <span className={styles.chance}>
          <i style={{ width: `${percent(chance)}%` }} />
        </span>
        <b>{percent(chance)} %</b>
      </td>
      <td>{calls.map((c) => places.get(c) || 'no machine').join(', ')}</td>
      <td>
        {state === 'unkept' && onWrite ? (
          <Button tone="quiet" onClick={onWrite}>
            write it down
          </Button>
        ) : (
          (where?.join(', ') ?? '') || (state === 'unkept' ? 'not kept' : 'to order')
        )}
      </td>
      <td>
        {onWrite && item ? (
          <Button tone="quiet" aria-label={`${title}: written as`} onClick={onWrite}>
            {weight ?? '–'}
          </Button>
        ) : (
          (weight ?? '–')
        )}
      </td>
    </tr>
  );
}
