import { formatDuration } from '@zetalysis/core/units';
import { useState } from 'react';
import type { Guide } from '@zetalysis/core/presentation';
import { Cautions } from '../../kit/Cautions';
import { Field } from '../../kit/Field';
import { Status } from '../../kit/Status';
import { Table } from '../../kit/Table';
import styles from './GuideSections.module.css';

/** The cord of an appliance, with the times of a sound one. */
export function Steps({ guide }: { guide: Guide }) {
  return (
    <section className={styles.section} aria-label="Sequence">
      <h2>Sequence</h2>
      <ol className={styles.steps}>
        {guide.phases.map((p) => (
          <li key={p.id} data-unwanted={p.unwanted || undefined}>
            <strong>{p.title}</strong>{' '}
            <span className="fine">
              {p.unwanted ? 'should not happen' : p.at === undefined ? '' : `after about ${formatDuration(p.at)}`}
            </span>
            <br />
            {p.ask}
          </li>
        ))}
      </ol>
    </section>
  );
}

/** What a meter shows at every point and step of a sound appliance. */
export const Points = ({ guide }: { guide: Guide }) => (
  <section className={styles.section} aria-label="Test points">
    <h2>Test points, sound appliance</h2>
    <Table
      label="Table of test points, scrolls sideways"
      rows={guide.points}
      keyOf={(p) => p.net}
      empty="This appliance has no test points."
      columns={[
        {
          title: 'Point',
          cell: (p) => (
            <>
              {p.net}–{p.black} {p.line && <Status tone="alarm">line</Status>}
            </>
          ),
        },
        { title: 'Where', cell: (p) => p.reach },
        ...guide.phases.map((phase, i) => ({
          title: phase.title,
          cell: (p: Guide['points'][number]) => p.good[i] ?? '–',
          figures: true as const,
        })),
      ]}
    />
  </section>
);

export function Values({ guide }: { guide: Guide }) {
  return (
    <section className={styles.section} aria-label="Dead tests and gauges">
      <h2>Dead tests, power off and isolated</h2>
      <dl className={styles.pairs}>
        {guide.deadTests.map((d) => (
          <div key={d.part}>
            <dt>{d.part}</dt>
            <dd>{d.limits}</dd>
          </div>
        ))}
      </dl>
      {guide.gauges.length > 0 && (
        <>
          <h2>Measured</h2>
          <dl className={styles.pairs}>
            {guide.gauges.map((g) => (
              <div key={g.title}>
                <dt title={g.how}>{g.title}</dt>
                <dd>{g.good}</dd>
              </div>
            ))}
          </dl>
        </>
      )}
    </section>
  );
}

/** Faults by what somebody would see, with a field to look through them. */
export function Faults({ guide }: { guide: Guide }) {
  const [wanted, setWanted] = useState('');
  const words = wanted.toLowerCase().split(/\s+/);
  const shown = guide.faults.filter((f) => {
    const text = `${f.words} ${f.signature.join(' ')}`.toLowerCase();
    return words.every((w) => text.includes(w));
  });
  return (
    <section className={styles.section} aria-label="Faults">
      <h2>Faults, and what you would see</h2>
      <Field label="What do you see?" value={wanted} onChange={setWanted} placeholder="starts over, code 6, click…" />
      {shown.length === 0 && <p>No fault of this appliance looks like that. Try fewer words.</p>}
      <ul className={styles.faults}>
        {shown.map((f) => (
          <li key={f.id}>
            <strong>{f.words}</strong> <span className="fine">{Math.max(0.1, f.share * 100).toFixed(1)} %</span>
            <br />
            {f.signature.length === 0 ? 'Shows nothing that can be seen from outside.' : f.signature.join(' · ')}
          </li>
        ))}
      </ul>
    </section>
  );
}

export function CodesAndCautions({ guide }: { guide: Guide }) {
  return (
    <section className={styles.section} aria-label="Codes and cautions">
      {guide.codes.length > 0 && (
        <>
          <h2>Codes</h2>
          <dl className={styles.pairs}>
            {guide.codes.map((c) => (
              <div key={c.id}>
                <dt>{c.id}</dt>
                <dd>{c.title}</dd>
              </div>
            ))}
          </dl>
        </>
      )}
      <h2>Cautions</h2>
      <Cautions>
        {guide.cautions.map((c) => (
          <li key={c}>{c}</li>
        ))}
      </Cautions>
    </section>
  );
}
