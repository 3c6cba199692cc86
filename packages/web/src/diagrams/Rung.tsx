import type { Drawing, DrawnItem, DrawnRung, LadderView } from '@zetalysis/core/presentation';
import type { Wires } from '@zetalysis/contract';
import { PartGlyph } from './PartGlyph';
import { partNames } from './part-names';
import styles from './Rung.module.css';
import { TestPoint } from './TestPoint';
import { wireWords } from './wire-names';

/** Rows are as high as a thumb needs. */
export const ROW = 44;
const LEFT = 24;

interface Props {
  readonly rung: DrawnRung;
  readonly y: number;
  readonly width: number;
  readonly points: Drawing['points'];
  readonly view: LadderView;
  readonly red: string | undefined;
  readonly changed: boolean;
  readonly wires?: Wires;
  readonly onNet: (net: string) => void;
  readonly onPart: (part: string, branch: string) => void;
}

/** One path from a source to its common: wires, the signs of parts, and the points between them. */
export function Rung({ rung, y, width, points, view, red, changed, wires, onNet, onPart }: Props) {
  // An unnamed joint between two parts takes no room of its own.
  const shown = rung.items.filter((i) => i.kind === 'part' || i.point);
  const xs = placed(shown.length, width);
  const parts = shown.flatMap((item, i) =>
    item.kind === 'part' ? [{ item, x: xs[i]!, share: view.suspected[item.part] }] : [],
  );
  const names = partNames(parts);
  const stateOf = (item: DrawnItem | undefined): string =>
    item?.kind === 'net' ? (view.nets[item.name]?.state ?? 'common') : 'unknown';
  return (
    <g data-changed={changed || undefined}>
      {changed && (
        <rect className={styles.changed} x={2} y={y - 20} width={width - 4} height={ROW - 4}>
          <title>wired otherwise in the other one</title>
        </rect>
      )}
      {shown.slice(0, -1).map((item, i) => {
        // From a net on, a wire has that net's state; behind a part, the state of the net it leads to.
        const wire = stateOf(item.kind === 'net' ? item : shown.slice(i).find((x) => x.kind === 'net'));
        return <line key={i} className={styles.wire} data-state={wire} x1={xs[i]} x2={xs[i + 1]} y1={y} y2={y} />;
      })}
      {parts.map(({ item, x, share }, i) => (
        <PartGlyph
          key={i}
          item={item}
          name={names[i]!}
          share={share}
          tag={view.bypassed.includes(item.part) ? 'bypassed' : view.apart.includes(item.part) ? 'apart' : undefined}
          x={x}
          y={y}
          onClick={() => onPart(item.part, item.branch)}
        />
      ))}
      {shown.map((item, i) =>
        item.kind === 'net' ? (
          <TestPoint
            key={i}
            name={item.name}
            net={view.nets[item.name]}
            point={points[item.name]}
            own={ownName(wires, item.name)}
            red={red === item.name}
            first={i === 0}
            x={xs[i]!}
            y={y}
            room={toNextNet(shown, xs, i)}
            onClick={() => onNet(item.name)}
          />
        ) : null,
      )}
    </g>
  );
}

/** Where the things on a rung stand: all of them equally far apart. */
function placed(count: number, width: number): number[] {
  const apart = (width - 2 * LEFT) / (count - 1);
  return Array.from({ length: count }, (_, i) => LEFT + i * apart);
}

/** Pixels from a net to the next one on its rung, or to the end. */
function toNextNet(shown: readonly DrawnItem[], xs: readonly number[], i: number): number {
  const next = shown.findIndex((other, n) => n > i && other.kind === 'net');
  return next < 0 ? Infinity : xs[next]! - xs[i]!;
}

/** What this machine calls a net, where it has a name of its own for it. */
function ownName(wires: Wires | undefined, net: string): { words: string; short: string } | undefined {
  const words = wires && wireWords(wires, net);
  return words === undefined ? undefined : { words, short: wires![net]!.terminal || wires![net]!.colour };
}
