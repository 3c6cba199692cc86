import type { Guide } from '@zetalysis/core/presentation';
import { Block } from '../../kit/Block';
import { Cautions } from '../../kit/Cautions';
import { Status } from '../../kit/Status';
import { Table } from '../../kit/Table';
import styles from './GuideSections.module.css';

/** What a meter shows at every point and step of a sound appliance. */
export const Points = ({ guide }: { guide: Guide }) => (
  <Block title="Test points" note="sound appliance, at every step">
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
        { title: 'Where', cell: (p) => p.reach, wide: true },
        ...guide.phases.map((phase, i) => ({
          title: phase.title,
          cell: (p: Guide['points'][number]) => p.good[i] ?? '–',
          figures: true as const,
        })),
      ]}
    />
  </Block>
);

/** What a meter and the gauges show on sound parts. */
export const Values = ({ guide }: { guide: Guide }) => (
  <div className={styles.values}>
    <Block title="Dead tests" note="power off and isolated">
      <dl className={styles.pairs}>
        {guide.deadTests.map((d) => (
          <div key={d.part}>
            <dt>{d.part}</dt>
            <dd>{d.limits}</dd>
          </div>
        ))}
      </dl>
    </Block>
    {guide.gauges.length > 0 && (
      <Block title="Measured" note="sound appliance">
        <dl className={styles.pairs}>
          {guide.gauges.map((g) => (
            <div key={g.title}>
              <dt title={g.how}>{g.title}</dt>
              <dd>{g.good}</dd>
            </div>
          ))}
        </dl>
      </Block>
    )}
  </div>
);

export const CodesAndCautions = ({ guide }: { guide: Guide }) => (
  <>
    {guide.codes.length > 0 && (
      <Block title="Codes">
        <dl className={styles.pairs}>
          {guide.codes.map((c) => (
            <div key={c.id}>
              <dt>{c.id}</dt>
              <dd>{c.title}</dd>
            </div>
          ))}
        </dl>
      </Block>
    )}
    <Block title="Cautions">
      <Cautions>
        {guide.cautions.map((c) => (
          <li key={c}>{c}</li>
        ))}
      </Cautions>
    </Block>
  </>
);
