import type { BreakLine, Breaks, PatternsFilter } from '@zetalysis/contract';
import { useState } from 'react';
import { useProfiles } from '../../api/queries';
import { Block } from '../../kit/Block';
import { Button } from '../../kit/Button';
import { Empty } from '../../kit/Empty';
import { Notice } from '../../kit/Notice';
import { Table } from '../../kit/Table';
import { Waiting } from '../../kit/Waiting';
import { Cases } from './Cases';
import styles from './Patterns.module.css';
import { saveTable } from './save-table';
import { type Behind, useBreaks } from './use-patterns';

/** As many bars as are looked at at once. */
const BARS = 10;

/** Which component breaks the sequence, and what is the cause, the most frequent first. */
export function BreaksView({ filter }: { readonly filter: PatternsFilter }) {
  const { data, error } = useBreaks(filter);
  const [behind, setBehind] = useState<Behind>();
  const [asTable, setAsTable] = useState(false);
  if (error) return <Notice kind="problem">{error.message}</Notice>;
  if (!data) return <Waiting>Counting…</Waiting>;
  const bars = data.lines.slice(0, BARS);
  return (
    <Block
      title="What breaks"
      note={
        <>
          <Button tone="quiet" onClick={() => setAsTable(!asTable)}>
            {asTable ? 'Bars' : 'Table'}
          </Button>{' '}
          <Button tone="quiet" onClick={() => saveTable('breaks', rowsOf(data))}>
            CSV
          </Button>
        </>
      }
    >
      {data.total === 0 ? (
        <Empty>No break was recorded on these calls.</Empty>
      ) : asTable ? (
        <AsTable lines={data.lines} onShow={setBehind} />
      ) : (
        <>
          <Say data={data} shown={bars} />
          <p className={styles.key}>
            <i data-is="itself" /> the part itself <i data-is="elsewhere" /> it acted rightly, or the cause lies
            elsewhere
          </p>
          <Bars lines={bars} total={data.total} onShow={setBehind} />
        </>
      )}
      <Series series={data.series} onShow={setBehind} />
      {behind && <Cases behind={behind} filter={filter} onClose={() => setBehind(undefined)} />}
    </Block>
  );
}

function Say({ data, shown }: { readonly data: Breaks; readonly shown: readonly BreakLine[] }) {
  const elsewhere = data.lines.reduce((sum, l) => sum + l.cases - l.itself, 0);
  const summed = shown.reduce((sum, l) => sum + l.cases, 0);
  return (
    <p className={styles.say}>
      <b>
        In {elsewhere} of {data.total} the part was right
      </b>{' '}
      and something else was wrong. {shown.length === 1 ? 'One line is' : `${shown.length} lines are`}{' '}
      {Math.round((100 * summed) / data.total)} % of all.
    </p>
  );
}

function Bars({
  lines,
  total,
  onShow,
}: {
  readonly lines: readonly BreakLine[];
  readonly total: number;
  readonly onShow: (behind: Behind) => void;
}) {
  const most = lines[0]!.cases;
  const sums = lines.map((_, i) => lines.slice(0, i + 1).reduce((sum, l) => sum + l.cases, 0));
  return (
    <ol className={styles.bars}>
      {lines.map((l, i) => (
        <li key={l.title}>
          <b>{l.title}</b>
          <button
            type="button"
            aria-label={`${l.title}: ${l.cases} calls`}
            onClick={() => onShow({ title: l.title, part: l.title })}
          >
            <span className={styles.bar} style={{ width: `${(78 * l.cases) / most}%` }}>
              <i data-is="itself" style={{ flexGrow: l.itself }} />
              <i data-is="elsewhere" style={{ flexGrow: l.cases - l.itself }} />
            </span>
            <b>{l.cases}</b>
          </button>
          <span className={styles.summed}>{Math.round((100 * sums[i]!) / total)} %</span>
          <small>
            {[
              ...l.causes.slice(0, 3).map((c) => `${c.title} ${c.cases}`),
              ...(l.before > 0 ? [`twelve months ${l.recent}, before ${l.before}`] : []),
            ].join(' · ')}
          </small>
        </li>
      ))}
    </ol>
  );
}

function AsTable({ lines, onShow }: { readonly lines: readonly BreakLine[]; readonly onShow: (b: Behind) => void }) {
  return (
    <Table
      label="Breaks"
      rows={lines}
      keyOf={({ title }) => title}
      empty="No break was recorded on these calls."
      columns={[
        {
          title: 'Part',
          cell: ({ title }) => (
            <Button tone="quiet" onClick={() => onShow({ title, part: title })}>
              {title}
            </Button>
          ),
        },
        { title: 'Calls', figures: true, cell: ({ cases }) => cases },
        { title: 'Itself', figures: true, cell: ({ itself }) => itself },
        { title: 'Proved', figures: true, cell: ({ proved }) => proved },
        { title: '12 months', figures: true, cell: ({ recent }) => recent },
        { title: 'before', figures: true, cell: ({ before }) => before },
        {
          title: 'Causes',
          wide: true,
          cell: ({ title, causes }) =>
            causes.map((c) => (
              <Button
                key={c.title}
                tone="quiet"
                onClick={() => onShow({ title: `${title}: ${c.title}`, part: title, cause: c.title })}
              >
                {c.title} {c.cases}
              </Button>
            )),
        },
      ]}
    />
  );
}

/** Makes that fail in one way much oftener than their family. */
function Series({ series, onShow }: { readonly series: Breaks['series']; readonly onShow: (b: Behind) => void }) {
  const profiles = useProfiles();
  if (series.length === 0) return null;
  return (
    <div className={styles.series}>
      <h3>This series fails like this</h3>
      <ul>
        {series.slice(0, 5).map((s) => (
          <li key={`${s.profile} ${s.make} ${s.title}`}>
            <b>{s.make}</b>, {profiles.data?.find((p) => p.id === s.profile)?.title ?? s.profile}: {s.title},{' '}
            <Button
              tone="quiet"
              onClick={() => onShow({ title: `${s.make}: ${s.title}`, part: s.title, profile: s.profile })}
            >
              {s.cases} calls
            </Button>{' '}
            where {s.expected.toFixed(1)} were to be expected of as many machine years.
            {s.between !== null && ` From one to the next on the same machine ${Math.round(s.between)} days.`}
          </li>
        ))}
      </ul>
    </div>
  );
}

const rowsOf = ({ lines }: Breaks) =>
  lines.flatMap((l) => [
    {
      part: l.title,
      cause: '',
      calls: l.cases,
      itself: l.itself,
      proved: l.proved,
      recent: l.recent,
      before: l.before,
    },
    ...l.causes.map((c) => ({
      part: l.title,
      cause: c.title,
      calls: c.cases,
      itself: null,
      proved: null,
      recent: null,
      before: null,
    })),
  ]);
