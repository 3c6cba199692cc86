import * as t from '@sinclair/typebox';
import { bodyOf, name, oneOf } from '../../question';
import { words } from '../fields';
import type { EventKind } from './event-kind';

const standing = oneOf(['proved', 'suspected'] as const);

/** What the advice was at a moment, kept with the decision that was taken on it. */
const advice = t.Object({
  suspects: t.Array(t.Object({ repair: name, words, probability: t.Number({ minimum: 0, maximum: 1 }) }), {
    maxItems: 20,
  }),
  standing,
  nextTest: t.Optional(words),
});

const body = bodyOf('break-recorded', {
  /** The component that broke the sequence; `none` when nothing was wrong. */
  part: name,
  /** What it is called, for readers that do not know the profile. */
  title: t.Optional(words),
  /** How it failed, or that it opened rightly. */
  failure: words,
  /** Why: a condition of the appliance, or a few words. */
  cause: words,
  action: words,
  standing,
  advice,
});

export type AdviceSnapshot = t.Static<typeof advice>;
export type BreakRecorded = t.Static<typeof body>;
export type BreakRecord = Omit<BreakRecorded, 'type'>;

/** Which component broke the sequence, how and why. */
export const breakRecorded: EventKind<typeof body> = {
  body,
  apply: (draft, { type: _type, ...record }, event) => {
    draft.record = { ...record, event: event.id };
  },
};
