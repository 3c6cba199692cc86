import { findNet, type Model } from '../src/profile';
import { CircuitStates, findFault, NORMAL_SETUP, run, type Setup, type Trace } from '../src/simulation';

// What tests ask of a run: the trace under named faults, when a step was to be seen, and volts at a moment.
export const traceOf = (model: Model, faults: readonly string[], setup: Partial<Setup> = {}): Trace =>
  run(
    new CircuitStates(model),
    faults.map((f) => findFault(model, f)),
    { ...NORMAL_SETUP, ...setup },
  );
export const cue = (model: Model, trace: Trace, id: string) => trace.cues[model.phases.findIndex((p) => p.id === id)]!;
export const volts = (model: Model, trace: Trace, red: string, black: string, at: number): number => {
  const { solution } = trace.circuits.find((c) => c.from <= at && at < c.to)!.circuit;
  const [a, b] = [findNet(model, red), findNet(model, black)];
  return Math.hypot(solution.re[a]! - solution.re[b]!, solution.im[a]! - solution.im[b]!);
};
