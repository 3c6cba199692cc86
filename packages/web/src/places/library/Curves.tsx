import type { Guide } from '@zetalysis/core/presentation';
import { inSeconds } from '@zetalysis/core/units';
import { Block } from '../../kit/Block';
import { Chart } from '../../kit/Chart';
import styles from './Curves.module.css';

/** How what is measured goes through a run of a sound appliance. */
export function Curves({ guide }: { guide: Guide }) {
  if (guide.curves.length === 0) return null;
  return (
    <Block title="Over time" note="sound appliance">
      <div className={styles.charts}>
        {guide.curves.map(({ title, unit, points }) => (
          <Chart
            key={title}
            title={title}
            unit={unit}
            across="seconds from the call"
            points={points.map(({ at, value }) => ({ x: inSeconds(at), y: value }))}
          />
        ))}
      </div>
    </Block>
  );
}
