import * as t from '@sinclair/typebox';
import { bodyOf, name, oneOf } from '../../question';
import { uuid } from '../fields';
import type { EventKind } from './event-kind';

/** The versions and settings a call is worked under. They never change during the call. */
const pins = {
  profile: name,
  profileVersion: name,
  variant: t.Optional(name),
  engineVersion: name,
  settings: t.Object({ units: oneOf(['us', 'si'] as const), settingsVersion: name }),
};

const body = bodyOf('opened', {
  machine: t.Optional(uuid),
  complaint: t.String({ minLength: 1, maxLength: 500 }),
  ...pins,
});

export type Opened = t.Static<typeof body>;

/** Opens a call and pins what it is worked under. */
export const opened: EventKind<typeof body> = {
  body,
  apply: (draft, given) => {
    draft.opened ??= given;
  },
};
