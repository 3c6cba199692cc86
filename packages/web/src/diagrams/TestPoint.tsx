import type { Drawing, LadderView } from '@zetalysis/core/presentation';
import { differsWords } from './net-words';
import { Target } from './Target';
import styles from './TestPoint.module.css';

interface Props {
  readonly name: string;
  /** Nothing for a net that black probes rest on. */
  readonly net: LadderView['nets'][string] | undefined;
  readonly point: Drawing['points'][string] | undefined;
  /** What this machine calls it, whole and in short. */
  readonly own: { readonly words: string; readonly short: string } | undefined;
  /** The red probe is on it. */
  readonly red: boolean;
  /** It begins its rung: its name starts at the edge. */
  readonly first: boolean;
  readonly x: number;
  readonly y: number;
  /** Pixels to the next point of the rung. */
  readonly room: number;
  readonly onClick: () => void;
}

/** A place for a probe: live, dead or unknown by its form; beside its name what was measured there. */
export function TestPoint({ name, net, point, own, red, first, x, y, room, onClick }: Props) {
  return (
    <Target
      label={labelOf(name, net, point, own)}
      pressed={red}
      x={x}
      y={y}
      className={styles.point}
      onClick={onClick}
      data-state={net?.state ?? 'common'}
      data-differs={net?.there?.differs || undefined}
      data-red={red || undefined}
    >
      {net?.state === 'dead' ? (
        <circle cx={x} cy={y} r="5" />
      ) : net?.state === 'unknown' ? (
        <path d={`M${x - 7} ${y}L${x} ${y - 7}L${x + 7} ${y}L${x} ${y + 7}Z`} />
      ) : (
        <circle cx={x} cy={y} r="6" />
      )}
      <text
        x={first ? x - 18 : x}
        y={y - 10}
        className={styles.name}
        data-first={first || undefined}
        data-line={point?.line || undefined}
      >
        {name}
        {own && <tspan className={styles.own}> {own.short}</tspan>}
        {net?.there?.differs && (
          <tspan className={styles.measured}>{differsWords(name.length, net.there.briefly, room)}</tspan>
        )}
        {net?.measured !== undefined && <tspan className={styles.measured}> {net.measured}</tspan>}
      </text>
    </Target>
  );
}

function labelOf(name: string, net: Props['net'], point: Props['point'], own: Props['own']): string {
  const where = point ? `, ${point.reach}${point.line ? ', line voltage' : ''}` : '';
  const there = net?.there?.differs ? `; here ${net.there.shows}` : '';
  const stands = net ? `${net.state}; sound: ${net.good}${there}` : 'common';
  const measured = net?.measured === undefined ? '' : `; measured ${net.measured}`;
  return `${name}${own === undefined ? '' : `, here ${own.words}`}${where}. ${stands}${measured}`;
}
