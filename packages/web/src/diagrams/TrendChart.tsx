import {
  Chart as Drawn,
  type ChartDataset,
  Filler,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
} from 'chart.js';
import { Line } from 'react-chartjs-2';
import { MILLIS_A_YEAR } from '@zetalysis/core/history';
import type { ReadingsView } from '@zetalysis/core/presentation';
import { token } from '../theme/token';
import { useTheme } from '../theme/use-theme';
import styles from './TrendChart.module.css';

Drawn.register(LineController, LineElement, PointElement, LinearScale, Tooltip, Filler);
Drawn.defaults.font.family = '"B612", sans-serif';

type Curve = ChartDataset<'line', { x: number; y: number }[]>;

const FIRST = 1970;
/** Moments stand on the axis as years. */
const years = (at: number): number => FIRST + at / MILLIS_A_YEAR;
const MOST_YEARS = 8;
/** A limit farther from what was read than so many times its span, or its size, is not worth the room. */
const FAR = 1;

const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });
const day = (x: number): string => DAY.format(new Date((x - FIRST) * MILLIS_A_YEAR));

/** Readings over the years between their limits; what slides goes on as far as it crosses the next one. */
export function TrendChart({ title, unit, points, limits, trend, says }: ReadingsView) {
  const [light] = useTheme();
  const ink = (name: `--${string}`): string => token(name, light);
  const [first, last] = [points[0]!.at, Math.max(points[points.length - 1]!.at, trend[trend.length - 1]?.at ?? 0)];
  const room = Math.max(0.03 * (last - first), MILLIS_A_YEAR / 24);
  const [from, to] = [years(first - room), years(last + room)];
  const inSight = heightOf(points, trend, limits);
  const shown = limits.filter(({ value }) => value >= inSight.least && value <= inSight.most);
  const height = { type: 'linear' as const, min: inSight.least, max: inSight.most };
  const curve = (label: string, data: Curve['data'], more: Partial<Curve>): Curve => ({
    label,
    data,
    pointRadius: 0,
    pointHitRadius: 0,
    borderWidth: 2,
    ...more,
  });
  const along = (of: 'value' | 'low' | 'high') => trend.map((t) => ({ x: years(t.at), y: t[of] }));
  const datasets: Curve[] = [
    curve(
      title,
      points.map((p) => ({ x: years(p.at), y: p.value })),
      {
        borderColor: ink('--ink'),
        borderWidth: 1.5,
        pointRadius: 5,
        pointHitRadius: 12,
        pointBackgroundColor: ink('--ink'),
      },
    ),
    ...shown.map(({ value, words }) =>
      curve(
        words,
        [
          { x: from, y: value },
          { x: to, y: value },
        ],
        { borderColor: ink(words === 'bad' ? '--alarm' : '--ember'), borderDash: words === 'bad' ? [] : [8, 4] },
      ),
    ),
    curve('trend', along('value'), { borderColor: ink('--ember'), borderWidth: 3 }),
    curve('at least', along('low'), { borderColor: ink('--ember'), borderWidth: 1, borderDash: [4, 3] }),
    curve('at most', along('high'), {
      borderColor: ink('--ember'),
      borderWidth: 1,
      borderDash: [4, 3],
      fill: '-1',
      backgroundColor: `color-mix(in srgb, ${ink('--ember')} 14%, transparent)`,
    }),
  ];
  const axis = { ticks: { color: ink('--soft'), maxTicksLimit: 7 }, grid: { color: ink('--line') } };
  return (
    <figure className={styles.chart}>
      <div className={styles.drawing}>
        <Line
          role="img"
          aria-label={`${title}, ${points.length} readings from ${points[0]!.words} to ${points[points.length - 1]!.words}. ${says}`}
          data={{ datasets }}
          options={{
            animation: false,
            maintainAspectRatio: false,
            plugins: {
              tooltip: {
                filter: ({ datasetIndex }) => datasetIndex === 0,
                callbacks: {
                  title: ([item]) => (item ? day(item.parsed.x!) : ''),
                  label: ({ dataIndex }) => points[dataIndex]!.words,
                },
              },
            },
            scales: {
              x: {
                type: 'linear' as const,
                min: from,
                max: to,
                ...axis,
                afterBuildTicks: (scale) => {
                  scale.ticks = yearsBetween(from, to).map((value) => ({ value }));
                },
                ticks: { ...axis.ticks, callback: String },
              },
              y: { ...height, ...axis, title: { display: true, text: unit, color: ink('--soft') } },
              // What the limits are called, at their heights.
              limits: {
                ...height,
                position: 'right' as const,
                grid: { display: false },
                afterBuildTicks: (scale) => {
                  scale.ticks = shown.map(({ value }) => ({ value }));
                },
                ticks: { color: ink('--soft'), callback: (at) => shown.find((l) => l.value === at)?.words ?? '' },
              },
            },
          }}
        />
      </div>
    </figure>
  );
}

/** From the least to the most that is drawn: what was read, where it goes, and the limits that are near. */
function heightOf(
  points: ReadingsView['points'],
  trend: ReadingsView['trend'],
  limits: ReadingsView['limits'],
): { readonly least: number; readonly most: number } {
  const read = [...points.map((p) => p.value), ...trend.flatMap((t) => [t.low, t.high])];
  const [low, high] = [Math.min(...read), Math.max(...read)];
  const near = FAR * (high - low || Math.abs(high) || 1);
  const seen = limits.map((l) => l.value).filter((v) => v >= low - near && v <= high + near);
  const [least, most] = [Math.min(low, ...seen), Math.max(high, ...seen)];
  const room = 0.08 * (most - least || Math.abs(most) || 1);
  return { least: low >= 0 ? Math.max(0, least - room) : least - room, most: most + room };
}

/** Whole years, not too many. */
function yearsBetween(from: number, to: number): number[] {
  const step = Math.ceil((to - from) / MOST_YEARS);
  const first = Math.ceil(from / step) * step;
  return Array.from({ length: Math.max(0, Math.floor((to - first) / step) + 1) }, (_, i) => first + i * step);
}
