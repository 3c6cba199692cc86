import type { CallView, Drawing, TestView } from '@zetalysis/core/presentation';
import { labelsOf } from '../../diagrams/ladder-labels';
import { folded, layoutLadder } from '../../diagrams/ladder-layout';
import { Rung } from '../../diagrams/Rung';
import styles from './Where.module.css';

interface Props {
  readonly drawing: Drawing;
  readonly view: CallView;
  readonly test: TestView;
}

const WIDTH = 304;

/** Where the probes of a test go: on their rung, and in words. */
export function Where({ drawing, view, test }: Props) {
  const [red, black] = test.probes;
  if (red === undefined || black === undefined) return <p className={styles.where}>{test.instruction}</p>;
  const has = (name: string) => (rung: Drawing['rungs'][number]) =>
    rung.items.some((i) => i.kind === 'net' && i.name === name);
  const rung = drawing.rungs.find((r) => has(red)(r) && has(black)(r)) ?? drawing.rungs.find(has(red));
  const layout = rung && layoutLadder(folded([rung]), labelsOf(view.ladder, undefined), WIDTH);
  return (
    <div className={styles.where}>
      {layout && (
        // A picture only: its points are not there to be tapped, nor to be reached with Tab.
        <div inert>
          <svg width={layout.width} height={layout.height} className={styles.piece}>
            {layout.rungs.map((placed, i) => (
              <Rung
                key={i}
                rung={placed}
                points={drawing.points}
                view={view.ladder}
                red={undefined}
                changed={false}
                onNet={nothing}
                onPart={nothing}
              />
            ))}
            {layout.rungs.flatMap(({ placed }) =>
              placed.map(({ item, x, y }, i) =>
                item.kind === 'net' && (item.name === red || item.name === black) ? (
                  <Probe key={i} x={x} y={y} red={item.name === red} />
                ) : null,
              ),
            )}
          </svg>
        </div>
      )}
      <p>
        <b className={styles.red}>red {red}</b> {drawing.points[red]?.reach}
      </p>
      <p>
        <b className={styles.black}>black {black}</b> {drawing.points[black]?.reach ?? 'common'}
      </p>
      <p>
        If it is good: <strong>{test.good}</strong>
      </p>
    </div>
  );
}

const nothing = (): void => undefined;

/** A probe with its tip on a point: red from the left, black from the right. */
const Probe = ({ x, y, red }: { x: number; y: number; red: boolean }) => (
  <path
    className={red ? styles.redTip : styles.blackTip}
    transform={`translate(${x} ${y}) scale(${red ? -1 : 1} 1)`}
    d="M0 0L9 -11L24 -25L30 -19L14 -6Z"
  />
);
