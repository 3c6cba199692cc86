import type { Model } from '../../profile';
import type { Trace } from '../../simulation';
import type { Bin } from './bins';
import { type Curve, folded, LATE, valueAt } from './curves';

/** A step of the sequence, cut from the log. */
export interface CutStep {
  readonly phase: string;
  readonly title: string;
  /** Seconds since the heat call at which a sound one does it. */
  readonly at: number;
  /**
   * When the log does it, and on which channel: where the model says that a channel must move with the step, and it moved.
   * `undefined`: no channel tells; `missing`: a channel had to move, and did not.
   */
  readonly logged: { readonly at: number; readonly channel: number } | 'missing' | undefined;
}

/** A channel has to move by so many volts with a step, or it does not tell it. */
const MOVES = 1.5;
/** What moves within so many seconds of a step moves with it. */
const WITH = 0.25;

/**
 * The steps of a sound appliance, each with the moment at which the log shows it. The edge that counts is the one in the direction
 * of the model’s, nearest to where the model has it, not before the step ahead of it.
 */
export function cutSteps(
  model: Model,
  trace: Trace,
  channels: readonly (readonly Bin[])[],
  curves: readonly Curve[],
  called: number,
): CutStep[] {
  const steps = model.phases
    .flatMap(({ id, title, unwanted }, i) => {
      const [first] = trace.cues[i] ?? [];
      return unwanted || !first ? [] : [{ phase: id, title, at: first.from / 1000 }];
    })
    .sort((a, b) => a.at - b.at);
  let before = -WITH;
  return steps.map((step) => {
    const tells = curves
      .map((curve, channel) => ({ channel, ...edgeAt(curve, step.at) }))
      .filter(({ from, to }) => Math.abs(to - from) >= MOVES)
      .sort((a, b) => Math.abs(b.to - b.from) - Math.abs(a.to - a.from))[0];
    if (!tells) return { ...step, logged: undefined };
    const at = edgeIn(channels[tells.channel]!, tells, step.at, called, before);
    if (at === undefined) return { ...step, logged: 'missing' };
    before = at;
    return { ...step, logged: { at, channel: tells.channel } };
  });
}

/** What a curve shows right before and right after a moment. */
const edgeAt = ({ steps, cycle }: Curve, at: number): { readonly from: number; readonly to: number } => ({
  from: at < WITH ? 0 : valueAt(steps, folded(cycle, at - WITH)),
  to: valueAt(steps, folded(cycle, at + WITH)),
});

/** The moment since the call at which a channel goes the same way through the middle between two values. */
function edgeIn(
  bins: readonly Bin[],
  { from, to }: { readonly from: number; readonly to: number },
  at: number,
  called: number,
  earliest: number,
): number | undefined {
  const middle = (from + to) / 2;
  const slack = LATE.seconds + LATE.share * at;
  const passed = (value: number): boolean => (to > from ? value > middle : value < middle);
  let nearest: number | undefined;
  for (let i = 1; i < bins.length; i++) {
    const moment = bins[i]!.at - called;
    if (moment < earliest || Math.abs(moment - at) > slack) continue;
    if (passed(bins[i - 1]!.mean) || !passed(bins[i]!.mean)) continue;
    if (nearest === undefined || Math.abs(moment - at) < Math.abs(nearest - at)) nearest = moment;
  }
  return nearest;
}
