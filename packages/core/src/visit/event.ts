import type { MeterInput } from '../circuit';
import type { Complaint } from '../question';
import type { Outcome, Setup } from '../simulation';
import type { Danger } from '../test-choice';
import type { Reading, UnitSystem } from '../units';

/** The versions and settings a call is worked under. They never change during the call. */
interface Pins {
  readonly profile: string;
  readonly profileVersion: string;
  readonly variant?: string;
  readonly engineVersion: string;
  readonly settings: { readonly units: UnitSystem; readonly settingsVersion: string };
}

/** What the advice was at a moment, kept with the decision that was taken on it. */
export interface AdviceSnapshot {
  readonly suspects: readonly { readonly repair: string; readonly words: string; readonly probability: number }[];
  readonly standing: 'proved' | 'suspected';
  readonly nextTest?: string;
}

export interface BreakRecord {
  /** The component that broke the sequence; `none` when nothing was wrong. */
  readonly part: string;
  /** How it failed, or that it opened rightly. */
  readonly failure: string;
  /** Why: a condition of the appliance, or a few words. */
  readonly cause: string;
  readonly action: string;
  readonly standing: 'proved' | 'suspected';
  readonly advice: AdviceSnapshot;
}

/** What happened. Names are the profile's (nets, parts, phases), so that a log can be read without the model. */
export type EventBody =
  | ({ readonly type: 'opened'; readonly machine?: string; readonly complaint: string } & Pins)
  | {
      readonly type: 'setup';
      readonly power: boolean;
      readonly gas: boolean;
      readonly call: boolean;
      readonly unplugged: readonly string[];
      readonly bypassed: readonly string[];
      /** Actions of the profile in force; logs made before there were any have none. */
      readonly actions?: readonly string[];
    }
  | { readonly type: 'seen'; readonly phase: string; readonly answer: 'yes' | 'no' | 'unclear'; readonly try?: number }
  | { readonly type: 'outcome'; readonly outcome: Outcome }
  | { readonly type: 'code'; readonly code: string }
  | {
      readonly type: 'volts';
      readonly red: string;
      readonly black: string;
      readonly phase?: string;
      readonly meter?: MeterInput;
      readonly reading: Reading;
      readonly typed: string;
    }
  | {
      readonly type: 'ohms';
      readonly part: string;
      readonly branch?: string;
      readonly reading: Reading;
      readonly typed: string;
    }
  | { readonly type: 'gauge'; readonly gauge: string; readonly reading: Reading; readonly typed: string }
  | { readonly type: 'timing'; readonly phase: string; readonly reading: Reading; readonly typed: string }
  | { readonly type: 'look'; readonly look: string; readonly answer: string }
  | { readonly type: 'declined'; readonly test: string; readonly why: 'cannot' | 'will-not' }
  | {
      readonly type: 'repaired';
      readonly part: string;
      readonly action: string;
      /** The new part was measured good before it was fitted. */
      readonly measured?: boolean;
    }
  /** A screw or setting turned while hunting, with where it stood. */
  | { readonly type: 'adjusted'; readonly what: string; readonly original: string; readonly now: string }
  /** What became of an adjustment: put back, or kept because it was the cause. */
  | { readonly type: 'adjustment-settled'; readonly event: string; readonly how: 'put-back' | 'kept' }
  | { readonly type: 'danger'; readonly danger: Danger }
  | { readonly type: 'danger-over'; readonly words: string }
  /** What the customer says, before the visit. */
  | { readonly type: 'told'; readonly complaint: Complaint }
  /** A clock set for something that has to be sat out; it runs from the event's own time. */
  | { readonly type: 'timer'; readonly title: string; readonly seconds: number }
  | { readonly type: 'note'; readonly text: string }
  | { readonly type: 'retracted'; readonly event: string }
  | ({ readonly type: 'break-recorded' } & BreakRecord)
  | { readonly type: 'closed'; readonly words: string };

/** One entry of a call's log. Never changed, never deleted. */
export interface CallEvent {
  /** UUIDv7 made by the client. */
  readonly id: string;
  readonly call: string;
  /** Lamport clock: one more than the largest the device had seen. Orders events however skewed the device clocks are. */
  readonly seq: number;
  /** The device's own time, ISO 8601. */
  readonly at: string;
  readonly device: string;
  readonly person: string;
  readonly body: EventBody;
}

/** The entry that says how the appliance is set. Logs call the call for heat `call`. */
export const setupEntry = ({ heatCall, ...rest }: Setup): Extract<EventBody, { type: 'setup' }> => ({
  type: 'setup',
  ...rest,
  call: heatCall,
});
