import type { PracticeAct } from '@zetalysis/core/practice';
import { bareLadder, type Drawing, type StandView } from '@zetalysis/core/presentation';
import { memo } from 'react';
import { Ladder } from '../../diagrams/Ladder';
import { Block } from '../../kit/Block';

interface Props {
  readonly drawing: Drawing;
  readonly colours: Readonly<Record<string, string>>;
  readonly setup: StandView['machine']['setup'];
  /** Where the probes are. */
  readonly red: string | undefined;
  readonly black: string | undefined;
  readonly walked: boolean;
  readonly onAct: (act: PracticeAct) => void;
  readonly onSaid: (said: string) => void;
}

/** The circuit, on which probes are put. */
export const Circuit = memo(function Circuit({ drawing, colours, setup, red, black, walked, onAct, onSaid }: Props) {
  const wires = Object.fromEntries(Object.entries(colours).map(([net, colour]) => [net, { terminal: '', colour }]));
  const tap = (net: string): void => {
    const own = drawing.points[net]?.black;
    if (own !== undefined) onAct({ do: 'put', place: { at: 'points', red: net, black: own } });
    else if (red !== undefined && red !== net) onAct({ do: 'put', place: { at: 'points', red, black: net } });
    else onSaid('Put the red probe on a test point first; the black one goes to its common.');
  };
  return (
    <Block title="Circuit" note="Tap a point: red goes there, black to its common">
      <Ladder
        drawing={drawing}
        view={{ ...bareLadder(drawing), bypassed: setup.bypassed, lifted: setup.apart ?? [] }}
        red={red}
        wires={wires}
        passage={black}
        walked={walked}
        onNet={tap}
        onPart={(part, branch) => onAct({ do: 'put', place: { at: 'part', part, branch } })}
      />
    </Block>
  );
});
