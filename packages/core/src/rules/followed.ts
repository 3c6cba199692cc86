import type { Circumstances, Pressed } from './circumstances';
import type { Family } from './family';
import type { What } from './happening';
import type { Authority } from './role';
import type { Ender, Grade, Limits, Order, Stop } from './stops';

/** What an entry is marked with: it counts, and somebody has to see it. */
export type Mark =
  | { readonly mark: 'without-right' | 'forbidden' | 'late' | 'too-early' | 'beyond-clock' | 'out-of-limits' }
  | { readonly mark: 'without-need'; readonly need: string };

/** A stop that stands. */
export interface StandingStop {
  readonly stop: Stop;
  readonly grade: Grade;
  readonly since: number;
  /** Who said what brought it. */
  readonly person: string;
  readonly raisedBy: readonly string[];
  readonly orders: readonly { readonly order: Order; readonly answer: 'done' | 'cannot' | undefined }[];
  readonly endedBy: Ender;
  /** A safety that it is about. */
  readonly about: string | undefined;
}

/** Something that was claimed and waits for a countersignature. */
export interface Claim {
  readonly event: string;
  readonly person: string;
  readonly by: Authority;
  readonly since: number;
  readonly what: What;
  /** What it takes to countersign it. */
  readonly needs: (authority: Authority) => boolean;
}

/** What the rules say of a call at one moment. */
export interface Followed {
  readonly c: Circumstances;
  readonly stops: readonly StandingStop[];
  readonly claims: readonly Claim[];
  /** Every stop that came up in the call, by its name; a profile may have declared it. */
  readonly raisedStops: ReadonlyMap<string, Stop>;
  readonly marks: ReadonlyMap<string, readonly Mark[]>;
  /** Lines of the proof that are done or do not apply, with the entry that says so. */
  readonly proof: ReadonlyMap<
    string,
    { readonly event: string; readonly answer: 'done' | 'does-not-apply'; readonly value: number | undefined }
  >;
  readonly breakRecorded: boolean;
  readonly ending: string | undefined;
  readonly dangers: boolean;
  /** Resets without a cause that were pressed on this machine before the call. */
  readonly before: readonly Pressed[];
  /** Resets without a cause, as the next call on this machine counts them. */
  readonly uncaused: readonly Pressed[];
  /** Orders that were answered with cannot at a shut-off: a lead has to know. */
  readonly unable: readonly { readonly stop: string; readonly order: string }[];
}

export interface Terms {
  readonly family: Family | undefined;
  /** The moment that is asked about; later happenings are followed all the same. */
  readonly now: number;
  readonly limits?: Limits;
  /** Resets without a cause that were pressed on this machine before. */
  readonly before?: readonly Pressed[];
}
