import type { BandView } from '@zetalysis/core/presentation';
import styles from './Band.module.css';

const WIDTH = 800;
const TOP = 54;
const HEIGHT = 34;
/** Half of the width of a letter of the value, where it is written largest. */
const LETTER = 9.5;

/** One axis: pale where it is good, hatched where marginal, cross-hatched where bad; the interval, the pointer, the old one dashed. */
export function Band({ band, words }: { readonly band: BandView; readonly words: string }) {
  const x = (v: number): number => ((v - band.from) / (band.to - band.from)) * WIDTH;
  const keep = (at: number, room: number): number => Math.min(WIDTH - room, Math.max(room, at));
  return (
    <svg className={styles.band} viewBox={`-4 0 ${WIDTH + 8} 130`} role="img" aria-label={words}>
      <defs>
        <pattern id="marginal" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path className={styles.hatch} d="M0 0V8" />
        </pattern>
        <pattern id="bad" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path className={styles.cross} d="M0 0V7M0 0H7" />
        </pattern>
      </defs>
      {band.zones.map((z) => (
        <g key={z.from} className={styles.zone} data-kind={z.kind}>
          <rect x={x(z.from)} y={TOP} width={x(z.to) - x(z.from)} height={HEIGHT} />
          {x(z.to) - x(z.from) > 70 && (
            <text x={(x(z.from) + x(z.to)) / 2} y={TOP + HEIGHT + 34} textAnchor="middle">
              {z.kind}
            </text>
          )}
        </g>
      ))}
      {band.ticks.map((t) => (
        <g key={t.at}>
          <path className={styles.tick} d={`M${x(t.at)} ${TOP - 3}v${HEIGHT + 6}`} />
          <text x={keep(x(t.at), 20)} y={TOP + HEIGHT + 18} textAnchor="middle">
            {t.label}
          </text>
        </g>
      ))}
      {band.beside && (
        <g className={styles.beside}>
          <path d={`M${x(band.beside.at)} ${TOP - 6}v${HEIGHT + 12}`} />
          <text x={keep(x(band.beside.at), 60)} y={TOP + HEIGHT + 34} textAnchor="middle">
            before {band.beside.label}
          </text>
        </g>
      )}
      <rect
        className={styles.interval}
        x={x(band.low)}
        y={TOP + 9}
        width={Math.max(2, x(band.high) - x(band.low))}
        height={HEIGHT - 18}
      />
      <path
        className={styles.pointer}
        d={`M${x(band.at)} ${TOP - 4}l-9 -12h18zM${x(band.at)} ${TOP - 4}v${HEIGHT + 8}`}
      />
      <text className={styles.value} x={keep(x(band.at), LETTER * band.label.length)} y={TOP - 22} textAnchor="middle">
        {band.label}
      </text>
    </svg>
  );
}
