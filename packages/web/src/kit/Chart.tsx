import { Chart as Drawn, LinearScale, LineController, LineElement, PointElement, Tooltip } from 'chart.js';
import { Line } from 'react-chartjs-2';
import { token } from '../theme/token';
import { useTheme } from '../theme/use-theme';
import styles from './Chart.module.css';

Drawn.register(LineController, LineElement, PointElement, LinearScale, Tooltip);
Drawn.defaults.font.family = '"B612", sans-serif';

interface Props {
  readonly title: string;
  /** What is measured, in the unit of the values. */
  readonly unit: string;
  readonly across: string;
  /** From left to right; straight lines between. */
  readonly points: readonly { readonly x: number; readonly y: number }[];
  /** Beside it, dashed: what it is compared with. */
  readonly beside?: readonly { readonly title: string; readonly points: Props['points'] }[];
  /** Where something happened: a line from top to bottom. */
  readonly mark?: number | undefined;
}

/** How what is compared is dashed: the first, the second. */
const DASHES = [
  { dash: [6, 4], colour: '--ember' },
  { dash: [2, 3], colour: '--ink' },
] as const;

/** A line over time. For who cannot see it, its ends and its range in words. */
export function Chart({ title, unit, across, points, beside = [], mark }: Props) {
  const [light] = useTheme();
  const axis = (words: string) => ({
    type: 'linear' as const,
    title: { display: true, text: words, color: token('--soft', light) },
    // Their words are alike: not each is measured, none is turned.
    ticks: { color: token('--soft', light), maxTicksLimit: 6, maxRotation: 0, sampleSize: 2 },
    grid: { color: token('--line', light) },
  });
  return (
    <figure className={styles.chart}>
      <figcaption>{title}</figcaption>
      <div className={styles.drawing}>
        <Line
          role="img"
          aria-label={inWords(title, unit, points)}
          data={{
            datasets: [
              {
                label: title,
                data: [...points],
                borderColor: token('--live', light),
                borderWidth: 2,
                pointRadius: 0,
                pointHitRadius: 12,
              },
              ...beside.map((b, i) => ({
                label: b.title,
                data: [...b.points],
                borderColor: token(DASHES[i % 2]!.colour, light),
                borderWidth: 2,
                borderDash: [...DASHES[i % 2]!.dash],
                pointRadius: 0,
                pointHitRadius: 12,
              })),
              ...(mark === undefined
                ? []
                : [{ label: '', data: upright(mark, points), borderColor: token('--ember', light), pointRadius: 0 }]),
            ],
          }}
          options={{
            animation: false,
            parsing: false,
            normalized: true,
            maintainAspectRatio: false,
            scales: { x: axis(across), y: axis(unit) },
          }}
        />
      </div>
    </figure>
  );
}

/** From the least to the most that is drawn. */
const upright = (x: number, points: Props['points']): { x: number; y: number }[] => {
  const values = points.map((p) => p.y);
  return [
    { x, y: Math.min(...values) },
    { x, y: Math.max(...values) },
  ];
};

function inWords(title: string, unit: string, points: Props['points']): string {
  const values = points.map((p) => p.y);
  const [first, last] = [values[0], values[values.length - 1]];
  return `${title}: from ${first} to ${last} ${unit}, between ${Math.min(...values)} and ${Math.max(...values)} ${unit}`;
}
