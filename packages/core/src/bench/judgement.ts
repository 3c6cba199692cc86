import type { Reading } from '../units';

export type Verdict = 'good' | 'marginal' | 'bad';

/** What a judgement rests on; the presentation says it in words. */
export type JudgementMessage =
  | {
      readonly message: 'dead-test';
      /** Limits in ohms. */
      readonly data: {
        readonly reading: Reading;
        readonly low: number;
        readonly high: number;
        readonly verdict: Verdict;
      };
    }
  | {
      readonly message: 'spark-gap';
      /** Metres. */
      readonly data: { readonly gap: number; readonly found: 'closed' | 'too-wide' | 'accepted' | 'right' };
    }
  | {
      readonly message: 'thermocouple';
      readonly data: {
        readonly volts: number;
        readonly minimum: number;
        readonly found: 'strong' | 'enough' | 'under' | 'cannot-hold';
      };
    };

export interface Judgement {
  readonly verdict: Verdict;
  readonly says: JudgementMessage;
}
