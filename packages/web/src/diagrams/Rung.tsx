import type { Drawing, LadderView } from '@zetalysis/core/presentation';
import type { Wires } from '@zetalysis/contract';
import { tagOf } from './ladder-labels';
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
  /** Of a part that is measured, which of its passages. */
  readonly passage?: string | undefined;
  readonly changed: boolean;
  readonly wires?: Wires;
  readonly onNet: (net: string) => void;
  readonly onPart: (part: string, branch: string) => void;
}

/** One path from a source to its common: wires, the signs of parts, and the points between them. */
export function Rung({ rung, points, view, red, passage, changed, wires, onNet, onPart }: Props) {
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
        p.item.kind === 'part' && view.bypassed.includes(p.item.part) ? (
          <Jumper key={`jumper ${i}`} from={placed[i - 1]?.x ?? left} to={placed[i + 1]?.x ?? right} y={y} />
        ) : null,
      )}
      {placed.map((p, i) =>
        p.item.kind === 'part' ? (
          <PartGlyph
            key={i}
            placed={p}
            item={p.item}
            share={view.suspected[p.item.part]}
            tag={tagOf(view, p.item.part)}
            red={red === p.item.part && (passage === undefined || passage === p.item.branch)}
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
            lifted={view.lifted.includes(p.item.name)}
            onClick={netClick(p.item, onNet)}
          />
        ),
      )}
    </g>
  );
}

/** A wire from point to point round a part that is bypassed. */
function Jumper({ from, to, y }: { from: number; to: number; y: number }) {
  const path = `M${from} ${y}v-5q0 -5 6 -5H${to - 6}q6 0 6 5v5`;
  return (
    <>
      <path className={styles.jumper} d={path} />
      <path className={styles.stripe} d={path} />
    </>
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
