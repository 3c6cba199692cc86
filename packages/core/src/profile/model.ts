import type { Frequency } from '../circuit';
import type { FaultMode, PartKind, Spec } from '../parts';
import type { DeclaredStop, Family } from '../rules';
import type { Dimension, Millis } from '../units';
import type { Build } from './build';
import type { FedGroup } from './feeds';
import type { Comparison, Expression } from './expression/expression';
import type { Identity } from './identify';
import { asIndex, type NetIndex, type PartIndex, type PhaseIndex } from './indices';

/** What a person always sets on an appliance; `call` is off while it settles before a run. A profile's actions come after. */
export const ENV = ['power', 'call', 'gas'] as const;

export interface Branch {
  readonly index: number;
  readonly part: PartIndex;
  /** Name of the passage within its part; '' when it has only one. */
  readonly name: string;
  readonly a: NetIndex;
  readonly b: NetIndex;
  readonly rung: number;
  /** What flows here when it is alive. */
  readonly frequency: Frequency;
}

export interface Part {
  readonly index: PartIndex;
  readonly id: string;
  readonly title: string;
  readonly kind: PartKind;
  readonly spec: Spec;
  readonly modes: readonly FaultMode[];
  readonly branches: readonly Branch[];
  /** Compiled `expression` fields. */
  readonly conditions: ReadonlyMap<string, Expression>;
  /** Indices of quantities named by `quantity` fields. */
  readonly senses: ReadonlyMap<string, number>;
  /** What the part may do to a hand that touches it, from the profile. */
  readonly caution?: string;
  /** The kind of safety that it is to the rules; nothing where it is none. */
  readonly safety: string | undefined;
  /** Lists of proof that its repair touches. */
  readonly touches: readonly string[];
  /** Brought along for one test: cannot be broken, and is not drawn. */
  readonly testOnly: boolean;
  /** The part it is built into and replaced with, by index; itself when it is replaced alone. */
  readonly assembly: PartIndex;
  /** Minutes to reach the part for a dead test. */
  readonly minutes: number;
}

export interface Rung {
  readonly id: string;
  /** As written: nets and passages alternate; an unnamed net sits between two passages. */
  readonly items: readonly ({ readonly net: NetIndex } | { readonly branch: number })[];
}

/** What a net belongs to: building supply, 24 V or 12 V control wiring, or a thermocouple's circuit. */
export type Level = 'line' | 'control' | 'millivolt';

/** Something asked while the appliance is set up in a special way. */
export type Ask =
  | { readonly kind: 'outcome' }
  | { readonly kind: 'code' }
  | { readonly kind: 'seen'; readonly phase: PhaseIndex }
  | { readonly kind: 'gauge'; readonly gauge: number }
  | { readonly kind: 'look'; readonly look: number }
  | { readonly kind: 'volts'; readonly red: NetIndex; readonly black: NetIndex; readonly phase: PhaseIndex };

export interface Plug {
  readonly id: string;
  readonly title: string;
  readonly pins: readonly number[];
  readonly minutes: number;
  /** What is worth asking while it is pulled. */
  readonly asks: readonly Ask[];
}

/**
 * Something a person does to the appliance for one test: relight the pilot, press a reset, lead the exhaust away, let a
 * coil cool, feed the valve from a separate source. In expressions it is `env.ID`.
 */
export interface Action {
  readonly id: string;
  readonly title: string;
  readonly how: string;
  readonly minutes: number;
  /** Parts whose lasting state (tripped, blown) it ends, by index. */
  readonly resets: readonly PartIndex[];
  /** Connectors pulled for it, by id. */
  readonly unplugs: readonly string[];
  /** Time given to the appliance before the call. */
  readonly wait: Millis;
  /** The kind of safety it goes round: entered in the ledger, and the call cannot be closed with it in place. */
  readonly goesRound: string | undefined;
  /** What kind of work it is to the rules. */
  readonly work: string | undefined;
  readonly caution: string | undefined;
  readonly asks: readonly Ask[];
}

export interface Point {
  readonly net: NetIndex;
  /** Where the probe goes. */
  readonly reach: string;
  /** The net the black probe rests on. */
  readonly black: NetIndex;
  readonly minutes: number;
  /** Carries line voltage. */
  readonly line: boolean;
}

export interface QuantityRule {
  readonly when: Expression | undefined;
  readonly is: number;
  /** What it is by how far the fault that the rule asks about is gone: from the beginning of its band to the end. */
  readonly spread?: { readonly from: number; readonly to: number };
  /** Stay where it is instead of heading for `is`. */
  readonly hold: boolean;
  /** Delay before the change begins and time it takes. */
  readonly after: Millis;
  readonly over: Millis;
}

export interface Quantity {
  readonly index: number;
  readonly id: string;
  readonly title: string;
  readonly dimension: Dimension;
  readonly start: number;
  readonly rules: readonly QuantityRule[];
  /** Spread between sound appliances, share of the value. */
  readonly tolerance: number;
  /** Between which shares of its value sound appliances lie, where they differ by factors. */
  readonly sound?: { readonly from: number; readonly to: number };
  /** Keeps its value from one episode to the next (air in a pipe, heat in an exchanger). */
  readonly lasting: boolean;
  /** Is found on arrival as the tries before left it (water in a boiler). */
  readonly stands: boolean;
  /** Every value that something in the profile compares it with. */
  readonly thresholds: readonly number[];
}

export interface Transition {
  readonly to: number;
  readonly when: Expression;
  readonly set: readonly { readonly counter: number; readonly value: Expression }[];
}

interface ControllerState {
  readonly index: number;
  readonly id: string;
  readonly on: readonly number[];
  readonly go: readonly Transition[];
  /** How long after entry a guard (the region's `always` too) may turn true by time alone, rising. */
  readonly timers: readonly Millis[];
  readonly code: string | undefined;
  readonly lockout: boolean;
}

export interface Region {
  readonly index: number;
  readonly id: string;
  readonly states: readonly ControllerState[];
  readonly start: number;
  /** Asked before the state's own guards, in order; `except` lists states in which the guard sleeps. */
  readonly always: readonly (Transition & { readonly except: readonly number[] })[];
  /** The longest timer of any state. */
  readonly longest: Millis;
}

export interface Input {
  readonly index: number;
  readonly id: string;
  /** Branch of the control whose voltage is sensed, or the quantity that is. */
  readonly branch: number | undefined;
  readonly quantity: number | undefined;
  readonly makes: number;
  readonly breaks: number;
  readonly debounce: Millis;
}

export interface Output {
  readonly index: number;
  readonly id: string;
  readonly branch: number;
}

export interface Controller {
  readonly part: PartIndex;
  readonly supplyBranch: number;
  readonly brownOut: number;
  readonly restart: number;
  readonly holdUp: Millis;
  readonly boot: Millis;
  readonly inputs: readonly Input[];
  readonly outputs: readonly Output[];
  readonly counters: readonly string[];
  readonly regions: readonly Region[];
}

/** A bead of the cord: something a person can observe. */
export interface Phase {
  readonly index: PhaseIndex;
  readonly id: string;
  readonly title: string;
  /** The question asked about it. */
  readonly ask: string;
  readonly sense: 'look' | 'listen' | 'smell' | 'feel';
  /** What is observed. */
  readonly cue: Expression;
  /** The stretch in which a reading "at this phase" is taken; the cue itself when the profile says nothing. */
  readonly window: Expression;
  /** The try for ignition: its repetitions are counted. */
  readonly trial: boolean;
  /** Reaching it and staying means the burner does its job. */
  readonly goal: boolean;
  /** Something that should not happen in a normal run. */
  readonly unwanted: boolean;
  /** Voltage readings may be asked for here. */
  readonly probe: boolean;
}

export interface Gauge {
  readonly id: string;
  readonly title: string;
  readonly how: string;
  readonly quantity: number;
  readonly phase: PhaseIndex;
  /** Whether it is read when things have come to rest, or as the step begins (what a limit opened at). */
  readonly read: 'settled' | 'at-once';
  /** What kind of work it is to the rules. */
  readonly work: string | undefined;
  readonly minutes: number;
}

/** A fact of the rules that an answer tells. */
export interface Means {
  readonly fact: string;
  readonly value: string | number;
}

interface LookAnswer {
  readonly id: string;
  readonly title: string;
  readonly when: Expression;
  readonly means: readonly Means[];
  /** The part whose reset was pressed by it. */
  readonly resets: PartIndex | undefined;
  /** The stop that it brings, beside those that its facts bring. */
  readonly raises: DeclaredStop | undefined;
}

export interface Look {
  readonly id: string;
  readonly ask: string;
  readonly answers: readonly LookAnswer[];
  /** What is known when it cannot be told. */
  readonly unclear: readonly Means[];
  /** What kind of work it is to the rules. */
  readonly work: string | undefined;
  readonly minutes: number;
  /** How often a careful person is right about it. */
  readonly tells: number;
  /** Whether it is a test to make; what some do and nobody should be told to do is only kept. */
  readonly proposed: boolean;
  /** Asked of the customer, before any work at the appliance. */
  readonly before: boolean;
}

export interface Code {
  readonly id: string;
  readonly title: string;
}

export interface Caution {
  readonly when: 'always' | 'gas' | 'line' | 'bypass' | 'trial' | 'hot' | 'ohms';
  readonly text: string;
}

/** A profile compiled to indexed arrays: all that the engine knows about one appliance. */
export interface Model {
  readonly id: string;
  readonly version: string;
  /** What it is to the rules; what is not said counts as the strictest. */
  readonly family: Family | undefined;
  /** How it is built, beside its family. */
  readonly build: Build;
  readonly title: string;
  readonly summary: string;
  /** What it answers to the questions by which a machine is recognised. */
  readonly identity: Identity;
  readonly nets: readonly string[];
  readonly ground: NetIndex;
  readonly parts: readonly Part[];
  readonly branches: readonly Branch[];
  readonly rungs: readonly Rung[];
  /** Settings an expression can ask as `env.NAME`: power, call, gas and the profile's actions. */
  readonly env: readonly string[];
  /** By net: its level and whether it carries AC or DC. */
  readonly levels: readonly Level[];
  readonly frequencies: readonly Frequency[];
  /** By net: whether it carries a rectified sine. */
  readonly rectified: readonly boolean[];
  /** Rated volts of the source that feeds each net. */
  readonly ratedVolts: readonly number[];
  /** What feeds the circuit, and by net the index of what feeds it; -1 where nothing does. */
  readonly sources: readonly FedGroup[];
  readonly sourceOf: readonly number[];
  readonly plugs: readonly Plug[];
  readonly actions: readonly Action[];
  readonly points: readonly Point[];
  readonly quantities: readonly Quantity[];
  readonly controller: Controller | undefined;
  /** Comparisons of voltages that its expressions make. */
  readonly comparisons: readonly Comparison[];
  readonly phases: readonly Phase[];
  readonly gauges: readonly Gauge[];
  readonly looks: readonly Look[];
  readonly codes: readonly Code[];
  readonly cautions: readonly Caution[];
  /** How long a run is watched. */
  readonly watch: Millis;
}

/** Finds a net by name; names of nets are upper case by custom but matched without regard to case. */
export function findNet(model: Model, name: string): NetIndex {
  const exact = model.nets.indexOf(name);
  return asIndex(exact >= 0 ? exact : model.nets.findIndex((net) => net.toLowerCase() === name.toLowerCase()));
}

/** A part and what is built into it: all of it is new when the part is replaced. */
export const replacedWith = (model: Model, part: PartIndex): PartIndex[] =>
  model.parts.filter((p) => p.index === part || p.assembly === part).map((p) => p.index);

export function findPart(model: Model, id: string): Part | undefined {
  return model.parts.find((part) => part.id === id);
}

export function findPhase(model: Model, id: string): Phase | undefined {
  return model.phases.find((phase) => phase.id === id);
}
