import { useState } from 'react';
import type { CallView, Drawing } from '@zetalysis/core/presentation';
import { Block } from '../../kit/Block';
import { Ladder } from '../../diagrams/Ladder';
import styles from './Circuit.module.css';
import { changedRungs } from './compare';

interface Props {
  readonly drawing: Drawing;
  readonly view: CallView;
  readonly other: Drawing | undefined;
  readonly title: string;
  /** The step at which it is drawn. */
  readonly at?: string | undefined;
}

/** The circuit of a sound appliance at a step; a tap on a point says its reading. */
export function Circuit({ drawing, view, other, title, at }: Props) {
  const [point, setPoint] = useState<string>();
  const net = point === undefined ? undefined : view.ladder.nets[point];
  return (
    <Block
      title={title}
      note={[
        ...(at === undefined ? [] : [`at “${at}”`]),
        ...(other ? ['marked: wired otherwise in the other one'] : []),
      ].join(' · ')}
    >
      <div className={styles.sheet}>
        <Ladder
          drawing={drawing}
          view={view.ladder}
          red={point}
          onNet={setPoint}
          onPart={() => setPoint(undefined)}
          changed={other ? changedRungs(drawing.rungs, other.rungs) : undefined}
        />
      </div>
      <p role="status" className="fine">
        {point === undefined
          ? 'Tap a point for its reading.'
          : `${point}, ${drawing.points[point]?.reach ?? 'common'}: ${net ? `sound ${net.good}` : 'common'}`}
      </p>
    </Block>
  );
}
