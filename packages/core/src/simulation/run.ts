import { findPart, type Model } from '../profile';
import type { CircuitStates } from './circuit-state';
import type { FaultRef, Setup } from './setup';
import type { Memory, Trace } from './trace';
import { Trajectories } from './trajectories';

/** Runs one try for heat by itself; see `Trajectories.run`. */
export function run(states: CircuitStates, faults: readonly FaultRef[], setup: Setup, memory?: Memory): Trace {
  return new Trajectories(states).run(faults, setup, memory);
}

/** Finds fault references by `part.mode` names, in the severity that most cases have; throws with the list of known names when one is unknown. */
export function findFault(model: Model, name: string): FaultRef {
  const dot = name.lastIndexOf('.');
  const part = findPart(model, name.slice(0, dot));
  const modes = part?.modes.flatMap((m, mode) =>
    m.id === name.slice(dot + 1) ? [{ mode, share: m.severity?.share ?? 1 }] : [],
  );
  if (!part || !modes || modes.length === 0) throw new RangeError(`no fault "${name}" in ${model.id}`);
  return { part: part.index, mode: modes.reduce((most, m) => (m.share > most.share ? m : most)).mode };
}
