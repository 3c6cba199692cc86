import type { Millis } from '../units';
import type { CircuitState } from './circuit-state';
import type { Segment, Trace } from './trace';

/** A segment of a trajectory: `sensed` counts which sensing of the circuit it stands on. */
export interface Stretch extends Omit<Segment, 'circuit'> {
  readonly sensed: number;
}

/** How an episode goes, whatever its circuit is: all appliances that are driven the same share it. */
export interface Trajectory extends Omit<Trace, 'segments' | 'circuits'> {
  readonly segments: readonly Stretch[];
}

/** The trace of one appliance: its trajectory, and the circuits that it had at each sensing. */
export function traceOf(trajectory: Trajectory, circuits: readonly CircuitState[]): Trace {
  const segments: Segment[] = [];
  const merged: { from: Millis; to: Millis; circuit: CircuitState }[] = [];
  for (const { from, to, sensed, partStates, regionStates, outputs, alive } of trajectory.segments) {
    const circuit = circuits[sensed]!;
    segments.push({ from, to, circuit, partStates, regionStates, outputs, alive });
    const last = merged[merged.length - 1];
    if (last && last.circuit === circuit) last.to = to;
    else merged.push({ from, to, circuit });
  }
  return { ...trajectory, segments, circuits: merged };
}
