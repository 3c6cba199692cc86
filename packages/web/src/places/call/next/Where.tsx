import type { CallView, Drawing } from '@zetalysis/core/presentation';
import { uncapital } from '@zetalysis/core/units';
import { labelsOf } from '../../../diagrams/ladder-labels';
import { folded, layoutLadder } from '../../../diagrams/ladder-layout';
import { Rung } from '../../../diagrams/Rung';
import { useAppliance } from '../use-appliance';
import styles from './Where.module.css';

interface Props {
  readonly view: CallView;
  /** Red first. */
  readonly probes: readonly string[];
  /** What a sound appliance shows there. */
  readonly good: string | undefined;
  /** What it shows if it is bad. */
  readonly bad?: { readonly shows: string; readonly suspect: string } | undefined;
}

const WIDTH = 304;

/** Where both probes go: on their rung, and in words. */
export function Where({ view, probes: [red, black], good, bad }: Props) {
  const { drawing } = useAppliance();
  if (red === undefined || black === undefined) return null;
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
                  <Probe key={i} x={x} y={y} red={item.name === red} width={layout.width} />
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
      {good !== undefined && (
        <p>
          If it is good: <strong>{good}</strong>
        </p>
      )}
      {bad && (
        <p>
          If bad: <strong>{bad.shows}</strong>, {uncapital(bad.suspect)}
        </p>
      )}
    </div>
  );
}

const nothing = (): void => undefined;

/** How far a probe reaches to its side. */
const REACH = 32;

/** A probe with its tip on a point: red from the left, black from the right, where there is room for it. */
const Probe = ({ x, y, red, width }: { x: number; y: number; red: boolean; width: number }) => (
  <path
    className={red ? styles.redTip : styles.blackTip}
    transform={`translate(${x} ${y}) scale(${(red ? x >= REACH : x > width - REACH) ? -1 : 1} 1)`}
    d="M0 0L9 -11L24 -25L30 -19L14 -6Z"
  />
);
