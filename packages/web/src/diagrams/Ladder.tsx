import { useEffect, useRef, useState } from 'react';
import type { Drawing, DrawnItem, DrawnRung, LadderView } from '@zetalysis/core/presentation';
import type { Wires } from '@zetalysis/contract';
import { wireWords } from './wire-names';
import { PartGlyph } from './PartGlyph';
import { differsWords } from './net-words';
import { partNames } from './part-names';

const LEAST_WIDTH = 540;
/** Rows are as high as a thumb needs. */
const ROW = 44;
const LEFT = 24;

interface Props {
  readonly drawing: Drawing;
  readonly view: LadderView;
  /** First probe already placed. */
  readonly red: string | undefined;
  readonly onNet: (net: string) => void;
  readonly onPart: (part: string, branch: string) => void;
  /** Rungs to be marked: wired otherwise in what this is compared with. */
  readonly changed?: ReadonlySet<string> | undefined;
  /** Terminal names and colours of this machine. */
  readonly wires?: Wires;
}

/** The circuit as a ladder: power drawn where it is, test points as targets to tap. */
export function Ladder({ drawing, view, red, onNet, onPart, changed, wires }: Props) {
  const frame = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(LEAST_WIDTH);
  useEffect(() => {
    const watch = new ResizeObserver(([entry]) =>
      setWidth(Math.max(LEAST_WIDTH, Math.floor(entry!.contentRect.width))),
    );
    watch.observe(frame.current!);
    return () => watch.disconnect();
  }, []);
  const height = drawing.rungs.length * ROW + 6;
  return (
    <div className="ladder-frame" ref={frame}>
      <svg className="ladder" width={width} height={height} role="group" aria-label="Circuit">
        {drawing.rungs.map((rung, row) => (
          <Rung
            key={rung.id}
            rung={rung}
            y={row * ROW + 24}
            width={width}
            drawing={drawing}
            view={view}
            red={red}
            onNet={onNet}
            onPart={onPart}
            changed={changed}
            wires={wires}
          />
        ))}
      </svg>
    </div>
  );
}

/** Positions along a rung: nets get a point, parts the stretch between; several parts in a row share the space. */
function place(items: readonly DrawnItem[], width: number): number[] {
  const step = (width - 2 * LEFT) / (items.length - 1);
  return items.map((_, i) => LEFT + i * step);
}

function Rung({
  rung,
  y,
  width,
  drawing,
  view,
  red,
  onNet,
  onPart,
  changed,
  wires,
}: Props & { rung: DrawnRung; y: number; width: number }) {
  // An unnamed joint between two parts takes no room of its own.
  const shown = rung.items.filter((i) => i.kind === 'part' || i.point);
  const xs = place(shown, width);
  const parts = shown.flatMap((item, i) =>
    item.kind === 'part' ? [{ item, x: xs[i]!, share: view.suspected[item.part] }] : [],
  );
  const names = partNames(parts);
  const stateOf = (item: DrawnItem | undefined): string => {
    if (item?.kind !== 'net') return 'unknown';
    return view.nets[item.name]?.state ?? 'common';
  };
  return (
    <g className={`rung${rung.line ? ' line-voltage' : ''}${changed?.has(rung.id) ? ' changed' : ''}`}>
      {changed?.has(rung.id) && (
        <rect className="changed-mark" x={2} y={y - 20} width={width - 4} height={ROW - 4}>
          <title>wired otherwise in the other one</title>
        </rect>
      )}
      {shown.map((item, i) => {
        if (i === shown.length - 1) return null;
        // From a net on, a wire has that net's state; behind a part, the state of the net it leads to.
        const wire = stateOf(item.kind === 'net' ? item : shown.slice(i).find((x) => x.kind === 'net'));
        return <line key={`w${i}`} className={`wire ${wire}`} x1={xs[i]} x2={xs[i + 1]} y1={y} y2={y} />;
      })}
      {parts.map(({ item, x, share }, i) => (
        <PartGlyph
          key={i}
          item={item}
          name={names[i]!}
          share={share}
          x={x}
          y={y}
          onClick={() => onPart(item.part, item.branch)}
        />
      ))}
      {shown.map((item, i) => {
        if (item.kind !== 'net') return null;
        const net = view.nets[item.name];
        const point = drawing.points[item.name];
        const own = wires && wireWords(wires, item.name);
        const label = `${item.name}${own === undefined ? '' : `, here ${own}`}${point ? `, ${point.reach}${point.line ? ', line voltage' : ''}` : ''}. ${net ? `${net.state}; sound: ${net.good}${net.there?.differs ? `; here ${net.there.shows}` : ''}` : 'common'}${net?.measured === undefined ? '' : `; measured ${net.measured}`}`;
        return (
          <g
            key={i}
            role="button"
            tabIndex={0}
            aria-label={label}
            aria-pressed={red === item.name}
            className={`point ${net?.state ?? 'common'}${net?.there?.differs ? ' differs' : ''}${red === item.name ? ' red' : ''}${point?.line ? ' line' : ''}`}
            onClick={() => onNet(item.name)}
            onKeyDown={(e) => {
              if (e.key !== 'Enter' && e.key !== ' ') return;
              e.preventDefault();
              onNet(item.name);
            }}
          >
            <title>{label}</title>
            <rect className="target" x={xs[i]! - 22} y={y - 22} width="44" height="44" />
            {net?.state === 'dead' ? (
              <circle cx={xs[i]} cy={y} r="5" />
            ) : net?.state === 'unknown' ? (
              <path d={diamond(xs[i]!, y)} />
            ) : (
              <circle cx={xs[i]} cy={y} r="6" />
            )}
            <text x={i === 0 ? xs[i]! - 18 : xs[i]} y={y - 10} className={i === 0 ? 'net-name first' : 'net-name'}>
              {item.name}
              {own !== undefined && (
                <tspan className="own-wire"> {wires![item.name]!.terminal || wires![item.name]!.colour}</tspan>
              )}
              {net?.there?.differs && (
                <tspan className="measured">
                  {differsWords(item.name.length, net.there.briefly, toNextNet(shown, xs, i))}
                </tspan>
              )}
              {net?.measured !== undefined && <tspan className="measured"> {net.measured}</tspan>}
            </text>
          </g>
        );
      })}
    </g>
  );
}

/** Pixels from a net to the next one on its rung, or to the end. */
function toNextNet(shown: readonly DrawnItem[], xs: readonly number[], i: number): number {
  const next = shown.findIndex((other, n) => n > i && other.kind === 'net');
  return next < 0 ? Infinity : xs[next]! - xs[i]!;
}

const diamond = (x: number, y: number): string => `M${x - 7} ${y}L${x} ${y - 7}L${x + 7} ${y}L${x} ${y + 7}Z`;
