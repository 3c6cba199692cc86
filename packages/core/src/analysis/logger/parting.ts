import type { Bin } from './bins';
import { type Curve, folded, LATE, valueAt, WATCHED, width } from './curves';
import type { CutStep } from './cut';

/** Where the log leaves the sound appliance. */
export interface Parting {
  /** Seconds since the heat call. */
  readonly at: number;
  readonly channel: number;
  /** What it showed in the seconds from there, volts. */
  readonly low: number;
  readonly high: number;
  /** What a sound one shows there. */
  readonly sound: number;
  /** The step that ran. */
  readonly phase: string;
}

/** It parts only where it stays away for so long, seconds. */
const PARTS_FOR = 0.4;
/** The first moment from which the log stays away from a sound appliance. */
export function partingOf(
  channels: readonly (readonly Bin[])[],
  sound: readonly Curve[],
  called: number,
  steps: readonly CutStep[],
): Parting | undefined {
  const found = channels.flatMap((bins, channel): Parting[] => {
    const apart = (bin: Bin): boolean => {
      const { wide, lows, highs } = sound[channel]!;
      const i = Math.round((bin.at - called) / wide);
      const [low, high] = [lows[i]!, highs[i]!];
      return bin.low < low - width(low) || bin.high > high + width(high);
    };
    for (const [i, bin] of bins.entries()) {
      const at = bin.at - called;
      if (at < 0 || !apart(bin)) continue;
      const stays = bins.slice(i).filter((b) => b.at <= bin.at + PARTS_FOR);
      if (!stays.every(apart)) continue;
      const after = bins.slice(i).filter((b) => b.at <= bin.at + WATCHED);
      return [
        {
          at,
          channel,
          low: Math.min(...after.map((b) => b.low)),
          high: Math.max(...after.map((b) => b.high)),
          sound: valueAt(sound[channel]!.steps, folded(sound[channel]!.cycle, at)),
          phase: steps.findLast((s) => s.at <= at + LATE.seconds)?.phase ?? steps[0]!.phase,
        },
      ];
    }
    return [];
  });
  return found.sort((a, b) => a.at - b.at)[0];
}
