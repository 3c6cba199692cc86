import { lazy, Suspense, useState } from 'react';
import { Link } from 'react-router';
import type { Machine } from '@zetalysis/contract';
import type { ReadingsView } from '@zetalysis/core/presentation';
import type { UnitSystem } from '@zetalysis/core/units';
import { useReadings } from '../../engine/use-readings';
import { Block } from '../../kit/Block';
import { Choice } from '../../kit/Choice';
import { Table } from '../../kit/Table';
import { Waiting } from '../../kit/Waiting';
import { Words } from '../../kit/Words';
import styles from './OverTime.module.css';

// Whoever only looks at a plate never loads the charts.
const TrendChart = lazy(() => import('../../diagrams/TrendChart').then((m) => ({ default: m.TrendChart })));

const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });

/** What was read on a machine over the years: what slides first, when it will cross a limit, and every reading in a table. */
export function OverTime({ machine, units }: { readonly machine: Machine; readonly units: UnitSystem }) {
  const readings = useReadings(machine, units);
  const [chosen, setChosen] = useState<string>();
  const [as, setAs] = useState<'chart' | 'table'>('chart');
  const all = readings.data ?? [];
  const one = all.find((r) => r.key === chosen) ?? all[0];
  const slide = all.filter((r) => r.slides).length;
  return (
    <Block
      title="Readings over time"
      note={all.length > 0 && `${slide === 0 ? 'none' : slide} of ${all.length} ${slide > 1 ? 'slide' : 'slides'}`}
    >
      {readings.error && <p className="problem">{readings.error.message}</p>}
      {readings.isPending && <Waiting>Reading its calls…</Waiting>}
      {readings.data && !one && <p className="fine">Nothing was read on this machine yet.</p>}
      {one && (
        <>
          <p className={styles.says} data-slides={one.slides || undefined}>
            {one.says}
          </p>
          {as === 'chart' ? (
            <Suspense fallback={<Waiting>Drawing it…</Waiting>}>
              <TrendChart {...one} />
            </Suspense>
          ) : (
            <EveryReading of={one} />
          )}
          {one.whose !== '' && <p className="fine">Limits: {one.whose}.</p>}
          <div className={styles.which}>
            <Choice
              label="What was read"
              labelHidden
              value={one.key}
              options={all.map((r) => ({ value: r.key, label: `${r.title} (${r.points.length})` }))}
              onChange={setChosen}
            />
            <Words
              label="Shown as"
              options={[
                { id: 'chart', title: 'Chart' },
                { id: 'table', title: 'Table' },
              ]}
              value={as}
              onChange={setAs}
            />
          </div>
        </>
      )}
    </Block>
  );
}

const EveryReading = ({ of: { title, points, changes } }: { readonly of: ReadingsView }) => (
  <>
    <Table
      label={`Every reading: ${title}`}
      rows={[...points].reverse()}
      keyOf={(p) => p.call}
      empty="Nothing was read yet."
      columns={[
        { title: 'Day', cell: (p) => <Link to={`/calls/${p.call}`}>{DAY.format(new Date(p.at))}</Link> },
        { title: 'Read', cell: (p) => p.words, figures: true },
      ]}
    />
    {changes.length > 0 && (
      <p className="fine">Meanwhile: {changes.map((c) => `${c.words}, ${DAY.format(new Date(c.at))}`).join('; ')}.</p>
    )}
  </>
);
