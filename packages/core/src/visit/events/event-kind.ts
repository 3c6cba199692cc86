import type { Static, TObject } from '@sinclair/typebox';
import type { Model } from '../../profile';
import type { Draft } from '../draft';
import type { CallEvent } from '../event';

/** One kind of entry that is no answer to a question: how it is stored, and what it does to the state of a call. */
export interface EventKind<B extends TObject> {
  readonly body: B;
  /** Why it means nothing for this profile; nothing when it does. */
  problem?(model: Model, body: Static<B>): string | undefined;
  apply?(draft: Draft, body: Static<B>, event: CallEvent): void;
}
