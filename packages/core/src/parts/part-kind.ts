import type { Frequency } from '../circuit';
import { type Dimension, type Millis, millis } from '../units';

/** What one branch of a part is, electrically, at one frequency. */
export type Electrical =
  | { readonly type: 'open' }
  /** Passive, ohms. */
  | { readonly type: 'impedance'; readonly r: number; readonly x: number }
  /** Feeds the circuit: RMS volts behind an impedance. */
  | { readonly type: 'source'; readonly volts: number; readonly r: number; readonly x: number }
  /** The secondary of a live transformer; its partner branch is `coupled-primary`. */
  | {
      readonly type: 'coupled-secondary';
      readonly primary: string;
      readonly ratio: number;
      readonly r: number;
      readonly x: number;
      readonly magnetisingR: number;
      readonly magnetisingX: number;
    }
  | { readonly type: 'coupled-primary' };

export const OPEN: Electrical = { type: 'open' };
/** A sound closed contact or wire: ten milliohms. */
export const CLOSED: Electrical = { type: 'impedance', r: 0.01, x: 0 };
export const ohms = (r: number, x = 0): Electrical => ({ type: 'impedance', r, x });

/** What is written about one field of a part in a profile. */
interface SpecField {
  /** `sensed` takes the dimension of the quantity named by the part's `senses` field. */
  readonly type: Dimension | 'sensed' | 'text' | 'flag' | 'expression' | 'quantity' | 'net' | 'ports';
  /** SI value used when the profile says nothing; a field without default must be written. */
  readonly default?: number | string | boolean;
  /** How far sound parts of one type differ from each other, as a share of the value (one standard deviation). */
  readonly tolerance?: number;
}

/** One declared output or input of a control. */
export interface ControlPort {
  readonly name: string;
  readonly role: 'contact' | 'feed' | 'input' | 'supply';
  /** Input resistance, or the inner resistance of a feed, ohms. */
  readonly ohms: number;
  /** Volts of a feed; make value of an input. */
  readonly volts: number;
  /** Of a contact: how often it sticks and stays on; nothing for an output without a relay. */
  readonly sticks: number;
  /** Break value of an input, volts. */
  readonly breaks: number;
  /** How long a sensed input must stay before the program believes it. */
  readonly debounce: Millis;
}

export type SpecValue = number | string | boolean | readonly ControlPort[];
export type Spec = Readonly<Record<string, SpecValue>>;

/** A way in which a part breaks. */
export interface FaultMode {
  readonly id: string;
  /** Completes the sentence "the <part> …": "has an open coil". */
  readonly words: string;
  /** Relative frequency. An assumption of ours until a shop's own book replaces it. */
  readonly relativeRate: number;
  /** What mends it. Modes of one part with the same repair need not be told apart. */
  readonly repair: 'replace' | 'reconnect' | 'clean' | 'repair' | 'correct' | 'reset' | 'none';
  /** "Broken in a way we did not think of": has no prediction of its own. */
  readonly other?: boolean;
  /** For a cause outside the circuit: the safety it makes open. */
  readonly trips?: string;
  /** Share of its cases in which the mode comes and goes: today it may be there or not. */
  readonly intermittent?: number;
  /** State in which the part is found on arrival (a switch that tripped some time ago). */
  readonly starts?: string;
  /** How it leaves a switch standing, whatever it senses. */
  readonly leaves?: 'open' | 'closed' | 'tripped';
  /** What of a control it takes away: all of it, or one output or input by name. */
  readonly takesAway?: 'everything' | { readonly output: string } | { readonly input: string };
  /** The mode joins the far end of this branch to a net (a chafed wire, a shorted cable). */
  readonly shorts?: { readonly to: string; readonly r: number };
  /** Ohms of a poor contact in one of its passages. */
  readonly inSeries?: { readonly branch: string; readonly ohms: number };
  /** What the component is instead of what its specification says, SI: a degraded value. */
  readonly values?: Readonly<Record<string, number>>;
  /** Of a way of failing that differs in how far it is gone: which of its severities this one is. */
  readonly severity?: Severity;
}

/**
 * One severity of a way of failing. All severities of it stand one after the other, have its id, its words and its repair,
 * and share its rate: they are one way of failing.
 */
export interface Severity {
  /** Its place among them, from the one end of the band to the other. */
  readonly place: number;
  /** The share of cases that are about as far gone as this. */
  readonly share: number;
  /** Where in the band it stands, 0 to 1 from its beginning. */
  readonly at: number;
  /** What is left of a sound one's value, as a share; nothing where that says little. */
  readonly left?: number;
}

/** The leads of a part in a solved circuit, which tell how it is driven. */
export interface Leads {
  readonly spec: Spec;
  /** Active fault mode, or undefined. */
  readonly fault: string | undefined;
  /** RMS volts across a branch of the part. */
  volts(branch: string): number;
  /** RMS amperes through a branch of the part. */
  amps(branch: string): number;
}

/** What a part can see of the appliance when it decides what to do next. */
export interface PartView {
  readonly state: string;
  readonly spec: Spec;
  /** Active fault mode, if it is one of the kind’s non-electrical faults. */
  readonly fault: string | undefined;
  /** How the circuit drives the part; 0 for a kind that it does not drive. */
  readonly drive: number;
  /** The value of the quantity named by a `quantity` field, SI. */
  sensed(field: string): number;
  /** Whether the condition in an `expression` field holds. */
  holds(field: string): boolean;
}

/** Where a part is heading: a state, and how long it takes to get there. */
export interface Move {
  readonly to: string;
  readonly after: Millis;
}

/** A dead test (power off, part isolated) and what a sound part shows, SI. */
export interface DeadTest {
  readonly branch: string;
  /** What the meter is set to; ohms when nothing is said. */
  readonly dimension?: Dimension;
  readonly title: string;
  readonly low: number;
  readonly high: number;
  /** Something that should pass: judged by the shop's limit for closed contacts. */
  readonly closedContact?: true;
  /** What it is to the Bench, which asks for leads and warmth and judges by it. */
  readonly as?: DeadTestKind;
}

/** What a dead test is made on. */
export type DeadTestKind = 'winding' | 'half-winding' | 'igniter' | 'contact' | 'rod' | 'capacitor';

/** What a closed contact, a wire or a fuse may show at most, as a dead test, ohms. */
export const closedContact = (title: string): DeadTest => ({
  branch: '',
  title,
  low: 0,
  high: 1,
  closedContact: true,
  as: 'contact',
});

/** What must not pass while the part is at rest: between the common terminal of a contact and its normally open one. */
export const openAtRest = (branch: string): DeadTest => ({
  branch,
  title: 'contact at rest, COM to NO',
  low: 5e6,
  high: Infinity,
});

/** The dead tests of a part that are made with one setting of the meter. */
export const deadTestsIn = (
  { kind, spec }: { readonly kind: PartKind; readonly spec: Spec },
  dimension: Dimension,
): readonly DeadTest[] => kind.deadTests(spec).filter((d) => (d.dimension ?? 'resistance') === dimension);

/** A winding within a fifth of its book value, ohms. */
export const winding = (branch: string, title: string, ohms: number): DeadTest => ({
  branch,
  title,
  low: ohms * 0.8,
  high: ohms * 1.2,
  as: 'winding',
});

/**
 * What one passage of a part is for: a contact that something opens and closes; a conductor that should always pass; a
 * source; one of two coupled windings; a consumer, which does something while it is fed.
 */
type BranchRole = 'contact' | 'conductor' | 'source' | 'winding' | 'consumer';

/** What a part is to the burner, where that is more than its passages are. */
type PartNature =
  /** Runs the program. */
  | 'control'
  /** One pin of a plug: remade with all of it. */
  | 'connector'
  /** Nothing in the circuit: what is wrong around it. */
  | 'condition'
  /** Opens for good when it carried too much. */
  | 'fuse';

export type Symbol =
  'source' | 'contact' | 'fuse' | 'coil' | 'motor' | 'load' | 'igniter' | 'winding' | 'rod' | 'wire' | 'plug' | 'spark';

/** What a source feeds into the circuit. */
interface Feed {
  /** Rated volts. */
  readonly volts: number;
  readonly frequency: Frequency;
  /** Between which shares of what the model says sound ones lie, all readings fed by it together. */
  readonly sound: { readonly low: number; readonly high: number };
}

/**
 * One kind of component. A kind is code because it joins electrical behaviour, movement and ways of failing; what a
 * particular component is (ohms, volts, set points) is data in the profile.
 */
export interface PartKind {
  readonly name: string;
  readonly title: string;
  readonly fields: Readonly<Record<string, SpecField>>;
  /** Two-terminal passages through the part; a part with one passage names it ''. */
  branches(spec: Spec): readonly string[];
  /** Possible states; the first is the state at rest (unpowered, cold). */
  readonly states: readonly string[];
  /** State in which a sound part of a standing appliance is found; the first state when nothing is said. */
  readonly starts?: string;
  /** Lasting states that pass by themselves with time: a hot coil cools. */
  readonly passing?: readonly string[];
  /** States that stay when everything else settles: a blown fuse, a tripped manual reset. */
  readonly lasting?: (spec: Spec) => readonly string[];
  /** State in which somebody holds it for its dead test; at rest when nothing is said. */
  readonly heldForTest?: string;
  modes(spec: Spec): readonly FaultMode[];
  electrical(spec: Spec, state: string, fault: string | undefined, branch: string, frequency: Frequency): Electrical;
  /**
   * How the circuit drives the part, as one number: equal numbers let it move equally. Its way of failing counts here
   * (a broken coil is not driven).
   */
  drive?(leads: Leads): number;
  /** Ways of failing that change how it moves, whatever drives it. */
  readonly nonElectricalFaults?: readonly string[];
  /** The state the part is heading for, or undefined to stay. Hysteresis belongs here. */
  move?(view: PartView): Move | undefined;
  /** Values of a sensed quantity at which the part changes its mind. */
  thresholds?(spec: Spec): readonly { readonly field: string; readonly value: number }[];
  deadTests(spec: Spec): readonly DeadTest[];
  /** What a branch feeds into the circuit when it is alive; says whether its nets carry AC or DC, and how much. */
  feeds?(spec: Spec, branch: string): Feed | undefined;
  /** Volts across a branch at which a sound part acts: pulls in, turns, glows. Less is not "fed". */
  actsAt?(spec: Spec, branch: string): number;
  /** Times that somebody has to sit out because of it. */
  waits?(spec: Spec, modes: readonly FaultMode[]): readonly { readonly words: string; readonly lasts: Millis }[];
  /** A contact that may pass poorly: which passage, and the way of failing of which those are a part. */
  readonly poorly?: { readonly branch: string; readonly instead: string };
  /** A weak source that its load is meant to pull down (a flame feed, a thermocouple). */
  readonly yields?: true;
  /** What a passage is for. */
  role(branch: string, spec: Spec): BranchRole;
  readonly nature?: PartNature;
  /** Passages that are coupled without being joined. */
  readonly couplings?: readonly { readonly primary: string; readonly secondary: string }[];
  /** False for a kind that nobody probes along when it is alone on its rung: sources, bonds, inner loads of a control. */
  readonly drawnAlone?: false;
  /** What lies behind it carries the rectified form of what feeds it. */
  readonly rectifies?: true;
  /** It draws enough to be judged by a clamp round its wire. */
  readonly clamped?: true;
  /** Its voltage is judged by itself, unscrewed and without load. */
  readonly judgedOpenCircuit?: boolean;
  /** Drawn as; means nothing else. */
  readonly symbol: (branch: string, spec: Spec) => Symbol;
  /** A safety that trips and stays open until somebody presses its reset. */
  readonly manualReset?: (spec: Spec) => boolean;
  /** The kind of safety that it is to the rules where a profile does not say; nothing for what is none. */
  readonly safety?: (spec: Spec) => string | undefined;
  /**
   * Whether the part is a switch that may rightly be open: then an open reading shows the break, and only its sensed
   * quantity tells whether it failed or did its job.
   */
  readonly mayOpenRightly?: (spec: Spec) => boolean;
}

export const num = (spec: Spec, field: string): number => spec[field] as number;
/** A field of the dimension time: written in seconds. */
export const time = (spec: Spec, field: string): Millis => millis(num(spec, field));
export const text = (spec: Spec, field: string): string => spec[field] as string;

/** The catch-all mode every kind has. */
export const other = (weight: number): FaultMode => ({
  id: 'other',
  words: 'is broken in a way not listed here',
  relativeRate: weight,
  repair: 'replace',
  other: true,
});
