import type { Model } from '../profile';
import type { CircuitStates } from './circuit-state';
import type { FaultRef, Setup } from './setup';
import { Simulator } from './simulator';
import type { Memory, Trace } from './trace';

/**
 * Runs one try for heat: from a settled state without a call, the call comes at t = 0 and the appliance is watched until
 * nothing more happens, a state repeats (then it cycles for ever), it locks out, or the profile's watch ends.
 * Deterministic; integer milliseconds.
 */
export function run(states: CircuitStates, faults: readonly FaultRef[], setup: Setup, memory?: Memory): Trace {
  return new Simulator(states, faults, setup, memory).run();
}

/** Finds fault references by `part.mode` names; throws with the list of known names when one is unknown. */
export function findFault(model: Model, name: string): FaultRef {
  const dot = name.lastIndexOf('.');
  const part = model.parts.find((p) => p.id === name.slice(0, dot));
  const mode = part?.modes.findIndex((m) => m.id === name.slice(dot + 1)) ?? -1;
  if (!part || mode < 0) throw new RangeError(`no fault "${name}" in ${model.id}`);
  return { part: part.index, mode };
}
