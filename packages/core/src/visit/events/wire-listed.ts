import * as t from '@sinclair/typebox';
import { bodyOf } from '../../question';
import type { EventKind } from './event-kind';

const body = bodyOf('wire-listed', {
  /** Which part it was on. */
  part: t.String({ minLength: 1, maxLength: 120 }),
  wire: t.String({ minLength: 1, maxLength: 120 }),
  terminal: t.String({ minLength: 1, maxLength: 120 }),
});

const back = bodyOf('wire-back', { event: t.String({ minLength: 36, maxLength: 36 }) });

/** What was on which terminal before it was taken apart. */
export interface ListedWire {
  readonly event: string;
  readonly part: string;
  readonly wire: string;
  readonly terminal: string;
  readonly back: boolean;
}

/** A wire is noted before it comes off. */
export const wireListed: EventKind<typeof body> = {
  body,
  apply: (draft, { type: _type, ...wire }, { id }) => void draft.wires.set(id, { ...wire, event: id, back: false }),
};

/** It is on its terminal again. */
export const wireBack: EventKind<typeof back> = {
  body: back,
  apply: (draft, { event }) => {
    const known = draft.wires.get(event);
    if (known) draft.wires.set(event, { ...known, back: true });
  },
};
