import * as t from '@sinclair/typebox';
import { findPart, replacedWith, unknownName } from '../../profile';
import { bodyOf, name, readingFields } from '../../question';
import { dayProblem, words } from '../fields';
import type { EventKind } from './event-kind';

const body = bodyOf('repaired', {
  part: name,
  action: words,
  /** The new part was measured good before it was fitted. */
  measured: t.Optional(t.Boolean()),
  /** What the new part read then: it stands beside what the old one read. */
  reads: t.Optional(t.Object(readingFields)),
  /** The number of the new part, and the day until which it is under warranty, as 2027-11-30. */
  number: t.Optional(t.String({ minLength: 1, maxLength: 60 })),
  warranty: t.Optional(t.String({ minLength: 10, maxLength: 10 })),
  /** It was a guess: the part that was there before is in again. */
  old: t.Optional(t.Boolean()),
  /** What it is called, and the lists of proof it touches, for readers that do not know the profile. */
  title: t.Optional(words),
  touches: t.Optional(t.Array(name, { maxItems: 20 })),
});

/** A part was repaired, or the old one put back: a new episode. */
export const repaired: EventKind<typeof body> = {
  body,
  problem: (model, { part, warranty }) => {
    if (!findPart(model, part))
      return unknownName(
        'part',
        part,
        model.parts.map((p) => p.id),
      );
    return warranty === undefined ? undefined : dayProblem(warranty);
  },
  apply: (draft, { part, measured: isMeasured, old }) => {
    const { setup, repaired: before, measured = [] } = draft.present;
    const parts = replacedWith(draft.model, findPart(draft.model, part)!.index);
    const others = measured.filter((p) => !parts.includes(p));
    draft.episodes.push({
      setup,
      repaired: [...before.filter((p) => !parts.includes(p)), ...(old === true ? [] : parts)],
      measured: isMeasured === true && old !== true ? [...others, ...parts] : others,
    });
  },
};
