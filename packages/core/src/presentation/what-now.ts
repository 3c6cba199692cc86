import { type Assessment, repairOrder } from '../diagnosis';
import type { Model } from '../profile';
import { repairWords } from './test-view';

/** How a search ends that no test can take further. */
export interface WhatNow {
  readonly says: string;
  /** What to mend, in this order, trying again after each. */
  readonly order: readonly { readonly words: string; readonly probability: number; readonly minutes: number }[];
}

/** Where the likeliest of all is that the model does not know it, an order of what it knows would lead astray. */
const LEADS = 0.5;

/** What to do when there is no next test: never nothing. `putAside`: tests were declined that might have told more. */
export function whatNow(model: Model, assessment: Assessment, putAside = false): WhatNow {
  const [first] = assessment.suspects;
  if (assessment.noHypothesisFits || (first?.repair === 'unknown' && first.probability >= LEADS))
    return {
      says: 'Nothing that is known here fits. Read again what fits nothing, then show the call to a lead: it may be a fault that the model does not have.',
      order: [],
    };
  if (first?.repair === 'none' && first.probability >= LEADS)
    return {
      says: 'By all that was read nothing is broken. Watch full runs until what the customer saw has shown, or has not for as long as it usually takes.',
      order: [],
    };
  const order = repairOrder(assessment)
    .slice(0, MOST)
    .map((step) => ({
      words: repairWords(model, step.repair),
      probability: step.probability,
      minutes: step.minutes,
    }));
  if (order.length === 0) return { says: NOBODY, order };
  return { says: order.length < 2 ? ONE : putAside ? PUT_ASIDE : SEVERAL, order };
}

/** Nobody mends more than these on a guess. */
const MOST = 6;

const PUT_ASIDE =
  'What would tell these apart was put aside. Take it back in the log, or mend in this order, cheapest and likeliest first, and try again after each:';
const SEVERAL =
  'Nothing that can be tested tells these apart. Mend them in this order, cheapest and likeliest first, and try again after each:';
const NOBODY =
  'Nothing stands out that could be mended. Show the call to a lead, or watch full runs until it shows again.';
const ONE = 'No test tells more. Mend it, and try again:';
