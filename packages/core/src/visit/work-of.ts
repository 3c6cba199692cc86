import { findNet, type Model } from '../profile';
import { workOfQuestion } from '../test-choice';
import { readingValue } from '../units';
import type { WorkOf } from './happenings';
import { translate } from './translate';

/** Below this share of its rated volts a point that could be live counts as dead. */
const DEAD_SHARE = 0.1;

/** Which entries of a log are readings that need something, by the profile. */
export const workOn =
  (model: Model): WorkOf =>
  ({ body }) => {
    const read = translate(model, body);
    if (read.kind !== 'observation') return undefined;
    const { work, of } = workOfQuestion(model, read.observation);
    if (work === undefined) return undefined;
    const dead =
      body.type === 'volts' &&
      work === 'volts-line' &&
      Math.abs(readingValue(body.reading)) < DEAD_SHARE * model.ratedVolts[findNet(model, body.red)]!;
    return { type: 'work', work, ...(of !== undefined && { of }), ...(work === 'volts-line' && { dead }) };
  };
