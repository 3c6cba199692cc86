import type { Advice, SharedBy } from '@zetalysis/contract';
import { FEW_CASES } from '@zetalysis/core/book';
import { useState } from 'react';
import { useProfiles } from '../../api/queries';
import { Block } from '../../kit/Block';
import { Button } from '../../kit/Button';
import { Choices } from '../../kit/Choices';
import { Counted } from './Counted';
import styles from './Patterns.module.css';
import { percent } from './percent';
import { saveTable } from './save-table';
import type { Behind } from './use-patterns';

interface Props {
  readonly advice: Advice;
  readonly onShow: (behind: Behind) => void;
}

const KINDS = { families: 'Family', people: 'Person', seasons: 'Season' } as const;

/** How often the first suspect was right, by family, person or season. */
export function AdviceBy({ advice, onShow }: Props) {
  const [by, setBy] = useState<keyof typeof KINDS>('families');
  const profiles = useProfiles();
  const title = (row: SharedBy): string => profiles.data?.find((p) => p.id === row.id)?.title ?? row.title;
  const rows = advice[by];
  return (
    <Block
      title={`First suspect right, by ${KINDS[by].toLowerCase()}`}
      note={
        <Button
          tone="quiet"
          className={styles.counted}
          onClick={() =>
            saveTable(
              'advice',
              rows.map((r) => ({ of: title(r), ...flat(r) })),
            )
          }
        >
          CSV
        </Button>
      }
    >
      <table className={styles.by}>
        <thead>
          <tr>
            <th scope="col">{KINDS[by]}</th>
            <th scope="col">9 in 10 within</th>
            <th scope="col">%</th>
            <th scope="col">calls</th>
            <th scope="col">min</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((r) => (
            <tr key={r.id} data-few={r.right.of < FEW_CASES || undefined}>
              <th scope="row">{title(r)}</th>
              <td>
                <svg viewBox="0 0 100 12" preserveAspectRatio="none" aria-hidden="true">
                  <path className={styles.grid} d="M0 6H100" />
                  <path
                    className={styles.within}
                    d={`M${r.right.low * 100} 6H${r.right.high * 100}M${r.right.low * 100} 2V10M${r.right.high * 100} 2V10`}
                  />
                  <path className={styles.point} d={`M${r.right.share * 100} 6h0`} />
                </svg>
              </td>
              <td>{r.right.of === 0 ? '–' : percent(r.right.share)}</td>
              <td>
                <Counted behind={{ title: title(r), figure: 'watched', ...ofRow[by](r) }} onShow={onShow}>
                  {r.right.of}
                </Counted>
              </td>
              <td>{r.right.of < FEW_CASES ? 'few' : r.minutes === null ? '–' : Math.round(r.minutes)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <Choices label="By">
        {(Object.keys(KINDS) as (keyof typeof KINDS)[])
          .filter((k) => k !== 'people' || advice.people.length > 0)
          .map((k) => (
            <Button key={k} aria-pressed={by === k} onClick={() => setBy(k)}>
              {KINDS[k]}
            </Button>
          ))}
      </Choices>
    </Block>
  );
}

/** The calls of a row. */
const ofRow: Readonly<Record<keyof typeof KINDS, (row: SharedBy) => Partial<Behind>>> = {
  families: ({ id }) => ({ profile: id }),
  people: ({ id }) => ({ person: id }),
  // A season goes from July to July.
  seasons: ({ id }) => ({ from: `${id.slice(0, 4)}-07-01`, until: `${Number(id.slice(0, 4)) + 1}-07-01` }),
};

const flat = ({ right, minutes, planned }: SharedBy) => ({
  calls: right.of,
  right: right.right,
  low: right.low,
  high: right.high,
  minutes,
  planned,
});
