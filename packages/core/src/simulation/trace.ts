import type { Millis } from '../units';
import type { PartIndex } from '../profile';
import type { CircuitState } from './circuit-state';

export interface Segment {
  readonly from: Millis;
  readonly to: Millis;
  readonly circuit: CircuitState;
  readonly partStates: Int8Array;
  readonly regionStates: Int8Array;
  /** Whether the program commands each output. */
  readonly outputs: readonly boolean[];
  readonly alive: boolean;
}

/** A quantity heading for a value: constant until `start`, then linear over `over`, then constant. */
export interface Ramp {
  readonly from: Millis;
  readonly value: number;
  readonly start: Millis;
  readonly over: Millis;
  readonly target: number;
}

export function rampValue(ramp: Ramp, at: Millis): number {
  if (at < ramp.start) return ramp.value;
  if (at >= ramp.start + ramp.over) return ramp.target;
  return ramp.value + ((ramp.target - ramp.value) * (at - ramp.start)) / ramp.over;
}

export interface Interval {
  readonly from: Millis;
  readonly to: Millis;
}

/**
 * How a try for heat ends, as a person would say it: nothing at all; stops at a step and waits; starts all over, again
 * and again; gives up with a lockout; heats, stops and heats again; runs.
 */
export const OUTCOMES = ['dead', 'stuck', 'starts-over', 'locks-out', 'cycles', 'runs'] as const;
export type Outcome = (typeof OUTCOMES)[number];

/** What is remembered from one episode to the next. */
export interface Memory {
  readonly partStates: ReadonlyMap<PartIndex, string>;
  readonly quantities: ReadonlyMap<number, number>;
}

/** Everything that happens in one episode under one hypothesis. */
export interface Trace {
  readonly segments: readonly Segment[];
  /** The same stretch by circuit alone: neighbouring segments with one circuit are one. */
  readonly circuits: readonly { readonly from: Millis; readonly to: Millis; readonly circuit: CircuitState }[];
  /** The last state stands for ever, or `cycle` repeats for ever, unless `cut` says that the watch ended first. */
  readonly end: Millis;
  readonly cycle: { readonly from: Millis; readonly length: Millis } | undefined;
  readonly cut: boolean;
  /** When each phase's cue could be observed, and its window for readings. */
  readonly cues: readonly (readonly Interval[])[];
  readonly windows: readonly (readonly Interval[])[];
  readonly ramps: readonly (readonly Ramp[])[];
  /** Times at which the control lost its supply and went down. */
  readonly resets: readonly Millis[];
  readonly outcome: Outcome;
  /** The status light: a code id, `none` while it shows no fault, `dark` when the control has no power. */
  readonly code: string;
  /** What the light showed, from when on. */
  readonly codes: readonly { readonly at: Millis; readonly code: string }[];
  /** When it gave up with a lockout. */
  readonly lockedOutAt: Millis | undefined;
  readonly memory: Memory;
}

/** Value of a quantity at a moment of a trace, SI. */
export function quantityAt(trace: Trace, quantity: number, at: Millis): number {
  const ramps = trace.ramps[quantity]!;
  let found = ramps[0]!;
  for (const ramp of ramps) {
    if (ramp.from > at) break;
    found = ramp;
  }
  return rampValue(found, at);
}
