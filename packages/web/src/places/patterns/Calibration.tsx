import type { Advice } from '@zetalysis/contract';
import { Chart as Drawn, LinearScale, LineController, LineElement, PointElement, Tooltip } from 'chart.js';
import { Line } from 'react-chartjs-2';
import { Block } from '../../kit/Block';
import { Button } from '../../kit/Button';
import { Empty } from '../../kit/Empty';
import { token } from '../../theme/token';
import { useTheme } from '../../theme/use-theme';
import { Counted } from './Counted';
import styles from './Patterns.module.css';
import { saveTable } from './save-table';
import type { Behind } from './use-patterns';

Drawn.register(LineController, LineElement, PointElement, LinearScale, Tooltip);

const HUNDRED = 100;

/** What was said of the first suspect once a try was watched, against how often it was that. */
export function Calibration({
  groups,
  onShow,
}: {
  readonly groups: Advice['groups'];
  readonly onShow: (b: Behind) => void;
}) {
  const [light] = useTheme();
  const of = groups.reduce((sum, g) => sum + g.was.of, 0);
  const axis = (words: string) => ({
    type: 'linear' as const,
    min: 0,
    max: HUNDRED,
    title: { display: true, text: words, color: token('--soft', light) },
    ticks: { color: token('--soft', light), stepSize: 25, maxRotation: 0 },
    grid: { color: token('--line', light) },
  });
  // Each interval is a stretch of its own: a gap between them is not drawn.
  const within = groups.flatMap(({ said, was }) => [
    { x: said * HUNDRED, y: was.low * HUNDRED },
    { x: said * HUNDRED, y: was.high * HUNDRED },
    { x: said * HUNDRED, y: NaN },
  ]);
  return (
    <Block title="Said and was" note={`${of} first advices in ${groups.length} groups`}>
      {groups.length === 0 ? (
        <Empty>On none of these calls a try was watched.</Empty>
      ) : (
        <>
          <div className={styles.calibration}>
            <Line
              role="img"
              aria-label={`Said against was, per cent: ${groups.map(inWords).join('; ')}`}
              data={{
                datasets: [
                  {
                    label: 'was, beside what was said',
                    data: groups.map(({ said, was }) => ({ x: said * HUNDRED, y: was.share * HUNDRED })),
                    showLine: false,
                    backgroundColor: token('--ember-fill', light),
                    borderColor: token('--ember-fill', light),
                    pointRadius: groups.map(({ was }) => 3 + Math.min(6, Math.sqrt(was.of) / 2)),
                  },
                  {
                    label: 'nine in ten within',
                    data: within,
                    borderColor: token('--ink', light),
                    borderWidth: 2,
                    pointRadius: 0,
                  },
                  {
                    label: 'said as it was',
                    data: [
                      { x: 0, y: 0 },
                      { x: HUNDRED, y: HUNDRED },
                    ],
                    borderColor: token('--soft', light),
                    borderWidth: 1,
                    borderDash: [5, 4],
                    pointRadius: 0,
                  },
                ],
              }}
              options={{
                animation: false,
                parsing: false,
                maintainAspectRatio: false,
                scales: { x: axis('said: the first suspect’s share, %'), y: axis('was: it broke, %') },
              }}
            />
          </div>
          <p>
            Small circles are few calls. <b>{verdict(groups)}</b>
          </p>
          <details>
            <summary>As a table</summary>
            <Button
              tone="quiet"
              onClick={() =>
                saveTable(
                  'said-and-was',
                  groups.map(({ said, was }) => ({
                    said,
                    was: was.share,
                    low: was.low,
                    high: was.high,
                    calls: was.of,
                  })),
                )
              }
            >
              CSV
            </Button>
            <table className={styles.by}>
              <thead>
                <tr>
                  <th scope="col">said, %</th>
                  <th scope="col">was, %</th>
                  <th scope="col">9 in 10</th>
                  <th scope="col">calls</th>
                </tr>
              </thead>
              <tbody>
                {groups.map((g) => (
                  <tr key={g.said}>
                    <th scope="row">{Math.round(g.said * HUNDRED)}</th>
                    <td>{Math.round(g.was.share * HUNDRED)}</td>
                    <td>
                      {Math.round(g.was.low * HUNDRED)}–{Math.round(g.was.high * HUNDRED)}
                    </td>
                    <td>
                      <Counted
                        behind={{
                          title: `About ${Math.round(g.said * HUNDRED)} % was said`,
                          figure: `said-${g.group}`,
                        }}
                        onShow={onShow}
                      >
                        {g.was.of}
                      </Counted>
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </details>
        </>
      )}
    </Block>
  );
}

const inWords = ({ said, was }: Advice['groups'][number]): string =>
  `${Math.round(said * HUNDRED)} was ${Math.round(was.share * HUNDRED)} of ${was.of}`;

/** Where what was said lies outside of what it was. */
function verdict(groups: Advice['groups']): string {
  const off = groups.filter(({ said, was }) => said < was.low || said > was.high);
  if (off.length === 0) return 'Every interval touches the line.';
  return off
    .map(({ said, was }) => `Near ${Math.round(said * HUNDRED)} % too ${said > was.high ? 'much' : 'little'} was said.`)
    .join(' ');
}
