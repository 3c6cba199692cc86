import type { Model } from '../profile';
import type { Millis } from '../units';
import type { Lived } from './lives';
import type { Interval, Outcome, Trace } from './trace';

/** A meter that is put on at a moment shows what stood for so long before it. */
const HELD: Millis = 2000;

/**
 * An appliance at a moment of its run, as somebody meets it who did not wait any longer: what came so far, what the light shows
 * now, how one would say it ends. After the end of the record nothing new comes, and in a round that repeats nobody knows
 * at which part of it the moment was.
 */
export function atMoment(model: Model, lived: Lived, after: Millis): Lived {
  const { trace } = lived;
  if (after >= trace.end) return lived;
  const until = <T extends Interval>(list: readonly T[]): T[] =>
    list.filter((i) => i.from <= after).map((i) => (i.to <= after ? i : { ...i, to: after }));
  const now = (list: readonly Interval[]): Interval[] =>
    list
      .filter((i) => i.from <= after && i.to >= after)
      .map((i) => ({ from: Math.max(i.from, after - HELD), to: after }));
  const cues = trace.cues.map(until);
  return {
    ...lived,
    trace: {
      ...trace,
      segments: until(trace.segments),
      circuits: until(trace.circuits),
      end: after,
      cycle: undefined,
      cut: true,
      cues,
      windows: trace.windows.map(now),
      resets: trace.resets.filter((at) => at <= after),
      outcome: outcomeAt(model, trace, cues, after),
      code: trace.codes.findLast(({ at }) => at <= after)?.code ?? 'none',
    },
  };
}

/** How somebody would say that it ends who looks at this moment and no longer. */
function outcomeAt(model: Model, trace: Trace, cues: readonly (readonly Interval[])[], after: Millis): Outcome {
  if (trace.lockedOutAt !== undefined && trace.lockedOutAt <= after) return 'locks-out';
  const goal = model.phases.find((p) => p.goal);
  const heats = goal ? cues[goal.index]! : [];
  if (heats.length > 0) return heats.length === 1 && heats[0]!.to === after ? 'runs' : 'cycles';
  const trial = model.phases.find((p) => p.trial);
  if (trial && trace.windows[trial.index]!.filter((w) => w.from <= after).length > 1) return 'starts-over';
  return model.phases.some((p) => p.index > 0 && cues[p.index]!.length > 0) ? 'stuck' : 'dead';
}
