import type { Advice, Me, PatternsFilter, SharedBy } from '@zetalysis/contract';
import { FEW_CASES } from '@zetalysis/core/book';
import { can } from '@zetalysis/core/rules';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { useProfiles } from '../../api/queries';
import { Block } from '../../kit/Block';
import { Button } from '../../kit/Button';
import { Choices } from '../../kit/Choices';
import { Empty } from '../../kit/Empty';
import { Notice } from '../../kit/Notice';
import { Waiting } from '../../kit/Waiting';
import { CordPiece } from '../../diagrams/CordPiece';
import { Calibration } from './Calibration';
import styles from './Patterns.module.css';
import { saveTable } from './save-table';
import { useAdvice } from './use-patterns';

const STAGES: Readonly<Record<Advice['stages'][number]['stage'], string>> = {
  complaint: 'Told on the telephone',
  watched: 'First try watched',
  half: 'Half of the tests',
  end: 'All tests',
};

const percent = (x: number): string => `${Math.round(x * 100)}`;

/** Whether the advice was right: one's own calls, or for a lead those of the shop. */
export function AdviceView({ me, filter }: { readonly me: Me; readonly filter: PatternsFilter }) {
  const leads = can(me, 'rates') === '+';
  const [query, setQuery] = useSearchParams();
  const whose = leads && query.get('whose') !== 'mine' ? 'shop' : 'mine';
  const { data, error } = useAdvice(filter, whose);
  if (error) return <Notice kind="problem">{error.message}</Notice>;
  if (!data) return <Waiting>Counting…</Waiting>;
  const set = (next: 'mine' | 'shop'): void =>
    setQuery((before) => {
      before.set('whose', next);
      return before;
    });
  return (
    <>
      {leads && (
        <div className={styles.whose}>
          <Choices label="Whose calls">
            {(['mine', 'shop'] as const).map((w) => (
              <Button key={w} aria-pressed={whose === w} onClick={() => set(w)}>
                {w === 'mine' ? 'Mine' : 'The shop’s, for leads'}
              </Button>
            ))}
          </Choices>
        </div>
      )}
      {data.of === 0 ? (
        <Empty>No break was recorded on these calls.</Empty>
      ) : (
        <div className={styles.advice}>
          <Along advice={data} />
          <div>
            <Calibration groups={data.groups} />
            <Against advice={data} />
          </div>
          <div>
            <By advice={data} />
            <NotDone advice={data} />
            <Worst advice={data} />
          </div>
        </div>
      )}
    </>
  );
}

function Along({ advice }: { readonly advice: Advice }) {
  const points = [
    ...advice.stages.map(({ stage, right }) => ({ title: STAGES[stage], note: 'first suspect right', right })),
    { title: '30 days later', note: 'nobody came back', right: advice.lasting },
  ];
  return (
    <Block title="Along a call" note={`${advice.of} breaks`}>
      <ol className={styles.along}>
        {points.map(({ title, note, right }) => (
          <li key={title}>
            <CordPiece state={right.of > 0 ? 'lit' : 'unlit'} />
            <span>
              <b>{title}</b>
              <small>{note}</small>
            </span>
            <span>
              <b>{right.of === 0 ? '–' : `${percent(right.share)} %`}</b>
              <small>
                {right.of === 0 ? 'no call' : `${percent(right.low)}–${percent(right.high)} of ${right.of}`}
              </small>
            </span>
          </li>
        ))}
      </ol>
      <dl className={styles.figures}>
        <dt>Repairs before anything condemned the part</dt>
        <dd>
          {advice.unproved} of {advice.fitted}
        </dd>
        <dt>Repairs that were of something else</dt>
        <dd>{advice.inVain}</dd>
      </dl>
    </Block>
  );
}

const whole = (n: number | null): string => (n === null ? '–' : String(Math.round(n)));

function Against({ advice: { tests, minutes } }: { readonly advice: Advice }) {
  return (
    <Block title="Tests and minutes, against the plan" note="proved calls">
      <dl className={styles.figures}>
        <dt>Tests to proof, median</dt>
        <dd>
          <b>{whole(tests.median)}</b>, plan {whole(tests.planned)}
        </dd>
        <dt>Minutes to the record, median</dt>
        <dd>
          <b>{whole(minutes.median)}</b>, plan for the tests {whole(minutes.planned)}
        </dd>
        <dt>8 in 10 within</dt>
        <dd>
          <b>{whole(minutes.most)}</b> min, {whole(tests.most)} tests
        </dd>
      </dl>
    </Block>
  );
}

const KINDS = { families: 'Family', people: 'Person', seasons: 'Season' } as const;

function By({ advice }: { readonly advice: Advice }) {
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
              <td>{r.right.of}</td>
              <td>{r.right.of < FEW_CASES ? 'few' : whole(r.minutes)}</td>
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

const flat = ({ right, minutes, planned }: SharedBy) => ({
  calls: right.of,
  right: right.right,
  low: right.low,
  high: right.high,
  minutes,
  planned,
});

function NotDone({ advice: { cannot, willNot } }: { readonly advice: Advice }) {
  return (
    <Block title="Proposed and not done" note={`${cannot + willNot} tests`}>
      <dl className={styles.figures}>
        <dt>Could not be made</dt>
        <dd>{cannot}</dd>
        <dt>Was not wanted</dt>
        <dd>{willNot}</dd>
      </dl>
    </Block>
  );
}

function Worst({ advice: { worst } }: { readonly advice: Advice }) {
  if (worst.length === 0) return null;
  return (
    <Block title="Worst three" note="each a lesson">
      <ul className={styles.list}>
        {worst.map((w) => (
          <li key={w.call}>
            <Link to={`/calls/${w.call}`}>
              {percent(w.said)} % for something else, was the {w.title}
            </Link>{' '}
            {w.machine}
          </li>
        ))}
      </ul>
    </Block>
  );
}
