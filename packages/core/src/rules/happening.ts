import type { FactValue } from './facts';
import type { TemporaryKind } from './circumstances';
import type { DeclaredStop } from './own-stops';
import type { Range } from './proof-lists';
import type { Authority } from './role';

/** A thing by its name in the log and by what it is called. */
export interface Thing {
  readonly id: string;
  readonly title: string;
}

/** An entry of a call as the rules see it. */
export interface Happening {
  readonly id: string;
  /** When it happened, milliseconds since 1970; an entry may say that it was earlier than it was made. */
  readonly at: number;
  /** When it was entered. */
  readonly entered: number;
  readonly person: string;
  readonly by: Authority;
  /** Its place in the order in which the server took the call's entries; nothing while it was not sent. */
  readonly number?: number;
  /** Taken back by a later entry of the call. */
  readonly struck: boolean;
  readonly what: What;
}

/** A safety that is gone round, as an entry says it. */
export interface Jumper extends Thing {
  readonly kind: string;
  readonly found?: boolean;
  readonly why?: string;
}

export type What =
  | {
      readonly type: 'setup';
      readonly gas: boolean;
      readonly power: boolean;
      readonly call: boolean;
      readonly bypasses: readonly Jumper[];
      readonly apart: readonly (Thing & { readonly kind: TemporaryKind })[];
    }
  | { readonly type: 'fact'; readonly fact: string; readonly value: FactValue }
  /** What was found brings a stop of this kind of appliance. */
  | { readonly type: 'raises'; readonly stop: DeclaredStop }
  /** A reset button that was pressed and clicked, here or by the customer. */
  | { readonly type: 'reset'; readonly safety: string; readonly title: string; readonly kind: string }
  /** What was found of why a safety opened. */
  | { readonly type: 'cause'; readonly safety: string; readonly mended: boolean }
  | {
      readonly type: 'need';
      readonly need: string;
      readonly of?: string;
      readonly answer: 'met' | 'cannot' | 'wont' | 'over';
    }
  | { readonly type: 'temporary'; readonly kind: TemporaryKind; readonly title: string }
  | { readonly type: 'undone'; readonly event: string; readonly kept?: boolean }
  | { readonly type: 'stop-order'; readonly stop: string; readonly order: string; readonly answer: 'done' | 'cannot' }
  | { readonly type: 'stop-ended'; readonly stop: string; readonly evidence: Readonly<Record<string, FactValue>> }
  | {
      readonly type: 'repaired';
      readonly part: string;
      readonly title: string;
      readonly touches: readonly string[];
      /** The part that was there before was put back. */
      readonly old?: true;
    }
  | {
      readonly type: 'proof-line';
      readonly line: string;
      readonly answer: 'done' | 'does-not-apply';
      readonly value?: number;
      readonly fuel?: string;
      readonly plate?: Range;
    }
  | { readonly type: 'break' }
  | { readonly type: 'closed'; readonly ending: string | undefined; readonly given: Readonly<Record<string, string>> }
  | { readonly type: 'reopened' }
  /** A reading of a kind of work; what was needed for it is asked of the moment. */
  | {
      readonly type: 'work';
      readonly work: string;
      readonly of?: string;
      /** It found nothing where line voltage could be: the meter has to be proved again. */
      readonly dead?: boolean;
    }
  | { readonly type: 'retracted'; readonly event: string }
  | { readonly type: 'countersigned'; readonly event: string; readonly says: 'yes' | 'no' }
  | { readonly type: 'nothing' };
