import { useEffect, useRef, useState } from 'react';
import type { Drawing, LadderView } from '@zetalysis/core/presentation';
import type { Wires } from '@zetalysis/contract';
import styles from './Ladder.module.css';
import { ROW, Rung } from './Rung';

const LEAST_WIDTH = 540;

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
export function Ladder({ drawing, changed, ...given }: Props) {
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
    <div className={styles.frame} ref={frame} data-ladder>
      <svg className={styles.ladder} width={width} height={height} role="group" aria-label="Circuit">
        {drawing.rungs.map((rung, row) => (
          <Rung
            key={rung.id}
            rung={rung}
            y={row * ROW + 24}
            width={width}
            points={drawing.points}
            changed={changed?.has(rung.id) ?? false}
            {...given}
          />
        ))}
      </svg>
    </div>
  );
}
