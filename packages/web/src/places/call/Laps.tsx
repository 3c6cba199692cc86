import type { CallView } from '@zetalysis/core/presentation';
import type { Millis } from '@zetalysis/core/units';
import { Button } from '../../kit/Button';
import { clock } from '../../kit/clock';

/** One round: how long it burned, how long it stood, both together; the last one may still be open. */
interface Lap {
  readonly off: Millis | undefined;
  readonly on: Millis | undefined;
}

/** From the moments at which it went out and lit again, in turn: the times off, and the times on between them. */
export function lapsOf(moments: readonly Millis[]): Lap[] {
  const laps: Lap[] = [];
  for (let i = 0; i < moments.length; i += 2) {
    const [out, lit, next] = [moments[i]!, moments[i + 1], moments[i + 2]];
    laps.push({
      off: lit === undefined ? undefined : lit - out,
      on: lit === undefined || next === undefined ? undefined : next - lit,
    });
  }
  return laps;
}

/** The rounds as one would tell them. */
export const lapWords = (laps: readonly Lap[]): string =>
  laps
    .flatMap(({ off, on }, i) =>
      off === undefined
        ? []
        : [
            `round ${i + 1}: off ${clock(off)}${on === undefined ? '' : `, on ${clock(on)}, period ${clock(off + on)}`}`,
          ],
    )
    .join('; ');

interface Props {
  readonly laps: readonly Millis[];
  /** The round of the first suspect that goes off and on, by the model. */
  readonly model: CallView['cycle'];
  readonly onLap: (stamp: number) => void;
}

/** It goes off and on again: each change is one tap; on, off and period beside what the model expects. */
export function Laps({ laps, model, onLap }: Props) {
  const burns = laps.length % 2 === 0;
  const words = lapWords(lapsOf(laps));
  return (
    <div role="group" aria-label="It goes off and on">
      <Button onClick={(e) => onLap(e.timeStamp)}>{burns ? 'It went out' : 'It lit again'}</Button>
      {words !== '' && <p role="status">{words}</p>}
      {model && (
        <p className="fine">
          By the model, if {model.words}: period {clock(model.period)}
        </p>
      )}
    </div>
  );
}
