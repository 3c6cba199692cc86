import {
  type Build,
  checkStructure,
  loadProfile,
  type Model,
  PLAIN,
  type Problem,
  ProblemError,
  SourceFile,
} from '../profile';
import { CircuitStates } from './circuit-state';
import { run } from './run';
import { NORMAL_SETUP } from './setup';
import { RestlessError } from './simulator';
import type { Trace } from './trace';

/** A source that gives less than this share of its own voltage feeds a short. */
const SHORTED = 0.5;

/** What a checked build turned out to be. */
export interface CheckedBuild {
  readonly model: Model;
  readonly trace: Trace;
}

/**
 * Loads a profile in one build and runs the healthy appliance once: what does not work there can be no reference for a
 * fault. Throws ProblemError when it cannot be loaded or never comes to rest; returns what is wrong with how it runs.
 */
export function checkProfile(
  source: string,
  fileName: string,
  build: Build = PLAIN,
): { readonly checked: CheckedBuild; readonly problems: readonly Problem[] } {
  const model = loadProfile(source, fileName, { build });
  const file = new SourceFile(source, fileName);
  checkStructure(file, model);
  let trace: Trace;
  try {
    trace = run(new CircuitStates(model), [], NORMAL_SETUP);
  } catch (error) {
    if (!(error instanceof RestlessError)) throw error;
    file.problem([], `a healthy appliance never comes to rest: ${error.message}`);
    throw new ProblemError(file.problems);
  }
  shorts(model, trace, file);
  for (const [part, state] of trace.memory.partStates)
    if (state !== model.parts[part]!.kind.starts)
      file.problem(
        ['parts', model.parts[part]!.id],
        `is ${state} after a healthy run: something overloads it, or its set point is too near to normal`,
      );
  for (const phase of model.phases)
    if (!phase.unwanted && trace.cues[phase.index]!.length === 0)
      file.problem(
        ['phases', phase.index],
        `the step "${phase.id}" never comes in a healthy run; look at what its cue needs, from the first missing step on`,
      );
  for (const phase of model.phases)
    if (phase.unwanted && trace.cues[phase.index]!.length > 0)
      file.problem(['phases', phase.index], `the unwanted step "${phase.id}" happens in a healthy run`);
  if (trace.outcome !== 'runs' && trace.outcome !== 'cycles')
    file.problem([], `a healthy appliance does not run: it ends ${trace.outcome}`);
  return { checked: { model, trace }, problems: file.problems };
}

function shorts(model: Model, trace: Trace, file: SourceFile): void {
  const found = new Set<string>();
  for (const { circuit } of trace.circuits)
    for (const e of circuit.circuit.elements) {
      if (e.type === 'impedance') continue;
      const { re, im } = circuit.solution;
      const across = (a: number, b: number): number => Math.hypot(re[a]! - re[b]!, im[a]! - im[b]!);
      const [given, own] =
        e.type === 'source' ? [across(e.a, e.b), e.volts] : [across(...e.secondary), e.ratio * across(...e.primary)];
      const part = model.parts.find((p) => p.id === e.id.split('.')[0]);
      if (own > 0 && given < SHORTED * own && part && part.kind.yields !== true) found.add(part.id);
    }
  for (const id of found)
    file.problem(['parts', id], 'is short-circuited in a healthy run: a rung leads from it and back without a load');
}
