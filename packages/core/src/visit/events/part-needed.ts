import * as t from '@sinclair/typebox';
import { bodyOf } from '../../question';
import { dayProblem } from '../fields';
import type { EventKind } from './event-kind';

const body = bodyOf('part-needed', {
  /** What is needed, with its number where it is known. */
  what: t.String({ minLength: 1, maxLength: 200 }),
  /** Where it comes from. */
  from: t.String({ maxLength: 200 }),
  /** The day it is expected, as 2026-11-30; empty where nobody knows. */
  expected: t.String({ maxLength: 10 }),
});

const arrived = bodyOf('part-arrived', { event: t.String({ minLength: 36, maxLength: 36 }) });

/** A part that a call waits for. */
export interface NeededPart {
  readonly event: string;
  readonly what: string;
  readonly from: string;
  readonly expected: string;
  readonly here: boolean;
}

/** A part is needed that is not at hand. */
export const partNeeded: EventKind<typeof body> = {
  body,
  problem: (_model, { expected }) => (expected === '' ? undefined : dayProblem(expected)),
  apply: (draft, { type: _type, ...needed }, { id }) =>
    void draft.needed.set(id, { ...needed, event: id, here: false }),
};

/** It has come. */
export const partArrived: EventKind<typeof arrived> = {
  body: arrived,
  apply: (draft, { event }) => {
    const known = draft.needed.get(event);
    if (known) draft.needed.set(event, { ...known, here: true });
  },
};
