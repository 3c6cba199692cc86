import type { Model } from '../profile';
import type { Outcome } from '../simulation';
import type { Dimension, Reading } from '../units';
import type { Complaint } from './complaint';

/** Something to be said: which sentence, and what stands in it. The presentation has the words. */
type Message<M extends string, D = Readonly<Record<string, never>>> = { readonly message: M; readonly data: D };

/** Where a probe goes: a named point and how it is reached, or a terminal between two parts. */
export type Place =
  | { readonly net: string; readonly reach?: string }
  /** Title of the part. */
  | { readonly terminalOf: string };

/** What a meter is set to for volts. */
export type MeterRange = 'dc-millivolts' | 'dc-volts' | 'ac-volts';

/** How an instrument shows a value: its function, and the largest value that decides on its unit. */
export interface Dial {
  readonly millivolts?: true;
  /** SI. */
  readonly scale?: number;
}

/** A part to be isolated, one of its passages, and what the meter is set to. */
interface DeadSubject {
  readonly part: string;
  readonly branch: string;
  readonly dimension: Dimension;
}

/** A part with a clamp round one of its wires, while a step lasts. */
interface ClampSubject {
  readonly part: string;
  readonly branch: string;
  readonly step: string | undefined;
}

/** What to do and ask, with a meter in one hand. */
export type AskedMessage =
  /** In the profile's own words. */
  | Message<'ask', { readonly words: string }>
  | Message<'watch-a-try'>
  | Message<'read-the-light'>
  | Message<
      'measure-volts',
      {
        readonly range: MeterRange;
        readonly red: Place;
        readonly black: Place;
        readonly step: string | undefined;
      }
    >
  | Message<'measure-dead', DeadSubject>
  | Message<'measure-amps', ClampSubject & { readonly direct: boolean }>
  | Message<'put-a-lamp', { readonly red: Place; readonly black: Place; readonly step: string | undefined }>
  | Message<'measure-between', { readonly red: Place; readonly black: Place }>
  | Message<'beep-across', { readonly part: string; readonly branch: string }>
  | Message<'look-at-joint', { readonly joint: string }>
  | Message<'read-gauge', { readonly how: string; readonly title: string }>
  | Message<'take-time', { readonly step: string }>
  | Message<'ask-customer'>;

/** Two points by name; nothing for a joint without one. */
interface Probed {
  readonly red: string | undefined;
  readonly black: string | undefined;
  readonly step: string | undefined;
}

/** Short name of a question, for lists. */
export type TitleMessage =
  /** In the profile's own words. */
  | Message<'titled', { readonly words: string }>
  | Message<'ending'>
  | Message<'light'>
  | Message<'volts' | 'lamp', Probed>
  | Message<'between', Omit<Probed, 'step'>>
  | Message<'dead', DeadSubject>
  | Message<'amps', ClampSubject>
  | Message<'beeper', { readonly part: string; readonly branch: string }>
  | Message<'time', { readonly step: string }>
  | Message<'complaint'>;

/** How a plug or a wire may be found. */
export type JointFound = 'in-order' | 'off' | 'loose' | 'chafed';

export type CodeShown = { readonly code: string; readonly meaning: string | undefined };

/** What was observed. */
export type ObservedMessage =
  | Message<'seen', { readonly step: string; readonly attempt: number | undefined; readonly answer: boolean }>
  | Message<'ended', { readonly outcome: Outcome }>
  | Message<'light-shows', CodeShown>
  | Message<'customer-says', { readonly complaint: Complaint }>
  | Message<'beeped', { readonly part: string; readonly branch: string; readonly sounds: boolean }>
  | Message<'lamp-lights', Probed & { readonly lights: boolean }>
  | Message<'joint-found', { readonly joint: string; readonly found: JointFound }>
  | Message<'looked', { readonly ask: string; readonly answer: string }>
  | Message<'read', { readonly title: TitleMessage; readonly reading: Reading; readonly dial: Dial }>;

/** What is expected to be observed. */
export type ExpectedMessage =
  | Message<'yes-or-no', { readonly yes: boolean }>
  | Message<'ends', { readonly outcome: Outcome }>
  | Message<'shows-code', CodeShown>
  | Message<'shows', { readonly title: string }>
  /** No answer of the question is right. */
  | Message<'no-answer'>
  | Message<'volts', { readonly volts: number; readonly atTimes: number | undefined; readonly dial: Dial }>
  | Message<'unsteady', { readonly low: number; readonly high: number; readonly dial: Dial }>
  | Message<'ghost', { readonly dial: Dial }>
  | Message<'beeps', { readonly sounds: boolean }>
  | Message<'lights', { readonly lights: boolean }>
  | Message<'joint-is', { readonly found: JointFound }>
  | Message<'ohms', { readonly ohms: number; readonly atTimes: number | undefined }>
  | Message<'number', { readonly value: number; readonly dimension: Dimension; readonly dial: Dial }>
  | Message<'never'>;

/** One of several answers to choose from. */
export type OptionMessage =
  | Extract<
      ExpectedMessage,
      { message: 'yes-or-no' | 'ends' | 'shows-code' | 'shows' | 'beeps' | 'lights' | 'joint-is' }
    >
  | Message<'cannot-tell'>
  | Message<'would-say', { readonly complaint: Complaint }>;

export const NOTHING_MORE: Readonly<Record<string, never>> = {};

/** A code with its meaning, where the profile has one. */
export const codeShown = ({ codes }: Model, code: string): CodeShown => ({
  code,
  meaning: codes.find((c) => c.id === code)?.title,
});
