import * as t from '@sinclair/typebox';
import { millis, type Millis } from '../units';

/**
 * A question about a moment. What is seen or read while a run still goes on is a fact about so much of it: nothing is said
 * of what would come later.
 */
export interface AtMoment {
  /** How long after the call for heat it was; nothing where it was watched until nothing more came. */
  readonly after?: Millis;
}

/** How a moment is stored: seconds after the call for heat. */
export const momentFields = { after: t.Optional(t.Number({ minimum: 0, maximum: 86_400 })) };

/** The moment that an entry names. */
export const momentOf = (body: object): AtMoment =>
  'after' in body && typeof body.after === 'number' ? { after: millis(body.after) } : {};

/**
 * How the clocks of sound appliances of one type run beside what the model says: a thermal delay takes up to 1.3 times its
 * longest before it is late (common practice, no source). Even odds.
 */
export const CLOCKS: readonly number[] = [0.8, 0.9, 1, 1.15, 1.3];
