import type { PartIndex } from '../indices';
import type { Dimension, Millis } from '../../units';

/** What an expression can ask of the running appliance. Everything is by index, resolved once at load. */
export interface Scope {
  partIs(part: PartIndex, state: number): boolean;
  /** Whether the program commands this output of the control (not whether power arrives). */
  outputOn(port: number): boolean;
  input(index: number): boolean;
  quantity(index: number): number;
  env(index: number): boolean;
  fault(part: PartIndex, mode: number): boolean;
  regionIs(region: number, state: number): boolean;
  /** Milliseconds since the region whose guard is being asked entered its state. */
  sinceEntry(): number;
  counter(index: number): number;
  /** Whether a comparison of voltages holds in the present circuit. */
  compared(comparison: number): boolean;
  alive(): boolean;
}

/** Volts between two nets of a circuit. */
export type Voltmeter = (netA: number, netB: number) => number;

/** A condition about voltages, such as `volts(A, B) >= 18 V`; all that an expression can ask of the circuit. */
export type Comparison = (volts: Voltmeter) => boolean;

export type ExpressionType = 'boolean' | Dimension;

/** Something that an expression looks at and that can change while the appliance runs; `index` as in the model. */
export interface Source {
  readonly kind:
    | 'part'
    | 'output'
    | 'input'
    | 'quantity'
    | 'env'
    | 'region'
    | 'counter'
    | 'comparison'
    /** Whether the control is up; there is one. */
    | 'alive';
  readonly index: number;
}

/** A part in a state, or an output of the control, as an expression names it. */
export type Term =
  | { readonly kind: 'part'; readonly part: PartIndex; readonly state: number; readonly negated: boolean }
  | { readonly kind: 'output'; readonly output: number; readonly negated: boolean };

export interface Expression {
  readonly text: string;
  readonly type: ExpressionType;
  /** Booleans are 0 and 1. */
  readonly evaluate: (scope: Scope) => number;
  /** Durations in `after(…)`: moments at which the answer may change by itself. */
  readonly durations: readonly Millis[];
  /** Constants that single quantities are compared with. */
  readonly thresholds: readonly { readonly quantity: number; readonly value: number }[];
  /** Parts whose state the expression looks at. */
  readonly parts: readonly PartIndex[];
  readonly quantities: readonly number[];
  /** Ways of failing the expression asks about. */
  readonly faults: readonly { readonly part: PartIndex; readonly mode: number }[];
  /** Settings it asks about, by place in the model's `env`. */
  readonly settings: readonly number[];
  readonly asksVolts: boolean;
  /** What it names of the running appliance, in the order in which it is read. */
  readonly terms: readonly Term[];
  /** Everything whose change may change the answer; besides, only the passing of its durations does. */
  readonly sources: readonly Source[];
}

/** A name resolved against the profile. */
type Resolved =
  | { readonly kind: 'part'; readonly part: PartIndex; readonly state: number }
  | { readonly kind: 'output'; readonly port: number }
  | { readonly kind: 'input'; readonly input: number }
  | { readonly kind: 'quantity'; readonly quantity: number; readonly dimension: Dimension }
  | { readonly kind: 'env'; readonly env: number }
  | { readonly kind: 'region'; readonly region: number; readonly state: number }
  | { readonly kind: 'counter'; readonly counter: number };

export interface Names {
  /** Throws an ExpressionError with a remedy when the name is unknown. */
  resolve(name: string): Resolved;
  /** A way of failing; its mode is undefined when the profile says that it does not happen. */
  resolveFault(name: string): { part: PartIndex; mode: number | undefined };
  resolveNet(name: string): number;
  /** Takes a comparison of voltages into the model; gives its number. */
  addComparison(comparison: Comparison): number;
}

/** What is wrong with an expression, and what to write instead. */
export class ExpressionError extends Error {}
