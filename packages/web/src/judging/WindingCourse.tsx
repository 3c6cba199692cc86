import type { WindingView } from '@zetalysis/core/presentation';
import styles from './WindingCourse.module.css';

const WIDTH = 460;
const HEIGHT = 220;
const LEFT = 46;
const FOOT = 40;

/** The ohms of a winding over its temperature: what it may have, what was read, and what that is at 20 °C. */
export function WindingCourse({ view }: { readonly view: WindingView }) {
  const x = (t: number): number => LEFT + ((t - view.across.from) / (view.across.to - view.across.from)) * WIDTH;
  const y = (ohms: number): number => HEIGHT - ((ohms - view.up.from) / (view.up.to - view.up.from)) * HEIGHT;
  const [left, right] = [x(view.across.from), x(view.across.to)];
  const held = (ohms: number): number => Math.min(HEIGHT, Math.max(0, y(ohms)));
  const { read, corrected } = view;
  return (
    <svg
      className={styles.course}
      viewBox={`0 -14 ${LEFT + WIDTH + 16} ${HEIGHT + FOOT + 14}`}
      role="img"
      aria-label={view.words}
    >
      <defs>
        <pattern id="winding-marginal" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path className={styles.hatch} d="M0 0V8" />
        </pattern>
      </defs>
      {view.zones.map(({ kind, low, high }) => (
        <path
          key={kind}
          className={styles.zone}
          data-kind={kind}
          d={`M${left} ${held(low[0])}L${right} ${held(low[1])}L${right} ${held(high[1])}L${left} ${held(high[0])}z`}
        />
      ))}
      <path className={styles.axis} d={`M${left} 0V${HEIGHT}H${right}`} />
      {view.up.ticks.map((t) => (
        <text key={t} x={left - 8} y={y(t) + 5} textAnchor="end">
          {t}
        </text>
      ))}
      <text x={left - 8} y={-2} textAnchor="end">
        {view.up.unit}
      </text>
      {view.across.ticks.map((t) => (
        <text key={t} x={x(t)} y={HEIGHT + 18} textAnchor="middle">
          {t}
        </text>
      ))}
      <text x={right} y={HEIGHT + 36} textAnchor="end">
        temperature of the winding, {view.across.unit}
      </text>
      <path className={styles.at20} d={`M${x(corrected.at)} 0V${HEIGHT}`} />
      <path className={styles.moved} d={`M${x(read.at)} ${y(read.ohms)}L${x(corrected.at)} ${y(corrected.ohms)}`} />
      <circle className={styles.read} cx={x(read.at)} cy={y(read.ohms)} r="6" />
      <circle className={styles.corrected} cx={x(corrected.at)} cy={y(corrected.ohms)} r="6" />
      {Math.abs(x(read.at) - x(corrected.at)) > 40 && (
        <text
          x={x(read.at)}
          y={y(read.ohms) + (read.at < corrected.at ? 24 : -12)}
          textAnchor={read.at < corrected.at ? 'middle' : 'start'}
        >
          {read.label}
        </text>
      )}
      <text className={styles.value} x={x(corrected.at) + 10} y={y(corrected.ohms) - 10}>
        {corrected.label}
      </text>
    </svg>
  );
}
