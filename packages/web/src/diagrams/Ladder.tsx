import { useEffect, useMemo, useRef, useState } from 'react';
import type { Drawing, LadderView } from '@zetalysis/core/presentation';
import type { Wires } from '@zetalysis/contract';
import styles from './Ladder.module.css';
import { labelsOf } from './ladder-labels';
import { folded, layoutLadder } from './ladder-layout';
import { Rung } from './Rung';
import { RungWalk } from './RungWalk';

/** Narrower than this, long rungs go on in the next row. */
const WIDE = 520;
const LEAST_WIDTH = 300;

interface Props {
  readonly drawing: Drawing;
  readonly view: LadderView;
  /** First probe already placed, or the part that is measured. */
  readonly red: string | undefined;
  /** Of that part, the passage. */
  readonly passage?: string | undefined;
  readonly onNet: (net: string) => void;
  readonly onPart: (part: string, branch: string) => void;
  /** Rungs to be marked: wired otherwise in what this is compared with. */
  readonly changed?: ReadonlySet<string> | undefined;
  /** Where it is narrow, one rung at a time; else all of it, long rungs going on in the next row. */
  readonly walked?: boolean;
  /** Terminal names and colours of this machine. */
  readonly wires?: Wires;
}

/** The circuit as a ladder: power drawn where it is, test points as targets to tap. */
export function Ladder({ drawing, changed, view, wires, walked = false, ...given }: Props) {
  const frame = useRef<HTMLDivElement>(null);
  const [room, setRoom] = useState({ width: WIDE, height: 0 });
  useEffect(() => {
    const watch = new ResizeObserver(([entry]) => {
      const { width, height } = entry!.contentRect;
      setRoom({ width: Math.max(LEAST_WIDTH, Math.floor(width)), height: Math.floor(height) });
    });
    watch.observe(frame.current!);
    return () => watch.disconnect();
  }, []);
  const layout = useMemo(
    () =>
      room.width < WIDE
        ? layoutLadder(folded(drawing.rungs), labelsOf(view, wires), room.width)
        : layoutLadder(drawing.rungs, labelsOf(view, wires), room.width, room.height),
    [drawing, view, wires, room],
  );
  if (walked && room.width < WIDE)
    return (
      <div className={styles.frame} ref={frame} data-ladder>
        <RungWalk drawing={drawing} view={view} wires={wires} {...given} />
      </div>
    );
  return (
    <div className={styles.frame} ref={frame} data-ladder>
      <svg className={styles.ladder} width={layout.width} height={layout.height} role="group" aria-label="Circuit">
        {layout.rungs.map((rung, i) => (
          <Rung
            key={i}
            rung={rung}
            points={drawing.points}
            changed={changed?.has(rung.rung.id) ?? false}
            view={view}
            {...(wires && { wires })}
            {...given}
          />
        ))}
      </svg>
    </div>
  );
}
