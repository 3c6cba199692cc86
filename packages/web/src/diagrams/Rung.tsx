import type { Drawing, LadderView } from '@zetalysis/core/presentation';
import type { Wires } from '@zetalysis/contract';
import type { PlacedRung } from './ladder-layout';
import { PartGlyph } from './PartGlyph';
import styles from './Rung.module.css';
import { TestPoint } from './TestPoint';
import { wireWords } from './wire-names';

interface Props {
  readonly rung: PlacedRung;
  readonly points: Drawing['points'];
  readonly view: LadderView;
  readonly red: string | undefined;
  readonly changed: boolean;
  readonly wires?: Wires;
  readonly onNet: (net: string) => void;
  readonly onPart: (part: string, branch: string) => void;
}

/** One path from a source to its common: wires, the signs of parts, and the points between them. */
export function Rung({ rung, points, view, red, changed, wires, onNet, onPart }: Props) {
  const { placed, y, left, right, railTo } = rung;
  const stateOf = (name: string): string => view.nets[name]?.state ?? 'common';
  // From a net on, a wire has that net's state; behind a part, the state of the net it leads to.
  const wire = (i: number): string => {
    const { item } = placed[i]!;
    if (item.kind === 'net') return stateOf(item.name);
    const next = placed.slice(i).find((p) => p.item.kind === 'net')?.item;
    return next?.kind === 'net' ? stateOf(next.name) : 'unknown';
  };
  const first = placed[0]!;
  return (
    <g data-rung={rung.rung.id} data-changed={changed || undefined}>
      {changed && (
        <rect className={styles.changed} x={left} y={y - 22} width={right - left} height={44}>
          <title>wired otherwise in the other one</title>
        </rect>
      )}
      {railTo !== undefined && (
        <line className={styles.wire} data-state={wire(0)} x1={first.x} x2={first.x} y1={railTo} y2={y} />
      )}
      {placed.slice(0, -1).map((p, i) => (
        <line key={i} className={styles.wire} data-state={wire(i)} x1={p.x} x2={placed[i + 1]!.x} y1={y} y2={y} />
      ))}
      {placed.map((p, i) =>
        p.item.kind === 'part' ? (
          <PartGlyph
            key={i}
            placed={p}
            item={p.item}
            share={view.suspected[p.item.part]}
            tag={
              view.bypassed.includes(p.item.part) ? 'bypassed' : view.apart.includes(p.item.part) ? 'apart' : undefined
            }
            onClick={partClick(p.item, onPart)}
          />
        ) : (
          <TestPoint
            key={i}
            placed={p}
            name={p.item.name}
            net={view.nets[p.item.name]}
            point={points[p.item.name]}
            own={wires && wireWords(wires, p.item.name)}
            red={red === p.item.name}
            onClick={netClick(p.item, onNet)}
          />
        ),
      )}
    </g>
  );
}

const partClick =
  ({ part, branch }: { part: string; branch: string }, onPart: Props['onPart']) =>
  (): void =>
    onPart(part, branch);

const netClick =
  ({ name }: { name: string }, onNet: Props['onNet']) =>
  (): void =>
    onNet(name);
