import type { Drawing, LadderView } from '@zetalysis/core/presentation';
import type { Placed } from './ladder-layout';
import { Target } from './Target';
import styles from './TestPoint.module.css';

interface Props {
  readonly placed: Placed;
  readonly name: string;
  /** Nothing for a net that black probes rest on. */
  readonly net: LadderView['nets'][string] | undefined;
  readonly point: Drawing['points'][string] | undefined;
  /** What this machine calls it. */
  readonly own: string | undefined;
  /** The red probe is on it. */
  readonly red: boolean;
  /** Its lead is lifted on purpose. */
  readonly lifted: boolean;
  readonly onClick: () => void;
}

/** A place for a probe: live, dead or unknown by its form; above it its name, and on a plate what was measured there. */
export function TestPoint({
  placed: { x, y, lines, plate, beside },
  name,
  net,
  point,
  own,
  red,
  lifted,
  onClick,
}: Props) {
  const differs = net?.there?.differs === true;
  return (
    <Target
      label={pointName({ name, net, point, own, lifted })}
      pressed={red}
      x={x}
      y={y}
      className={styles.point}
      onClick={onClick}
      data-state={net?.state ?? 'common'}
      data-differs={differs || undefined}
      data-red={red || undefined}
    >
      {net?.measured !== undefined && <circle className={styles.ring} cx={x} cy={y} r="9.5" />}
      {net?.state === 'dead' ? (
        <circle cx={x} cy={y} r="5" />
      ) : net?.state === 'unknown' ? (
        <path d={`M${x - 7} ${y}L${x} ${y - 7}L${x + 7} ${y}L${x} ${y + 7}Z`} />
      ) : (
        <circle cx={x} cy={y} r={net ? 6 : 4.5} />
      )}
      {lifted && <path className={styles.lifted} d={`M${x - 5} ${y - 8}l10 16M${x + 5} ${y - 8}l-10 16`} />}
      {lines.map(({ words, box }) => (
        <text
          key={words}
          data-label
          className={styles.name}
          x={box.x}
          y={box.y + box.height - 2}
          data-line={point?.line || undefined}
        >
          {words}
        </text>
      ))}
      {plate && (
        <>
          <rect className={differs ? styles.other : styles.plate} rx="2" {...plate.box} />
          <text
            data-label
            className={differs ? styles.otherWords : styles.plateWords}
            x={plate.box.x + 5}
            y={plate.box.y + 11}
          >
            {plate.words}
          </text>
        </>
      )}
      {beside && (
        <text data-label className={styles.sound} x={beside.box.x} y={beside.box.y + beside.box.height - 2}>
          {beside.words}
        </text>
      )}
    </Target>
  );
}

/** What a point is and how it stands, for who cannot see the drawing. */
export function pointName({
  name,
  net,
  point,
  own,
  lifted,
}: Pick<Props, 'name' | 'net' | 'point' | 'own' | 'lifted'>): string {
  const where = point ? `, ${point.reach}${point.line ? ', line voltage' : ''}` : '';
  const there = net?.there?.differs ? `; here ${net.there.shows}` : '';
  const stands = net ? `${net.state}${net.good === '' ? '' : `; sound: ${net.good}`}${there}` : 'common';
  const measured = net?.measured === undefined ? '' : `; measured ${net.measured}`;
  return `${name}${own === undefined ? '' : `, here ${own}`}${where}. ${stands}${measured}${lifted ? '; its lead is lifted' : ''}`;
}
