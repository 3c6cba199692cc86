import { type Build, withVariant } from '../../profile';
import { bodyOf, name, oneOf } from '../../question';
import { FAMILIES } from '../../rules';
import { uuid } from '../fields';
import type { EventKind } from './event-kind';
import * as t from '@sinclair/typebox';

/** See `Build`. */
export const build = t.Object({
  options: t.Array(name, { maxItems: 20 }),
  order: t.Record(t.String({ pattern: '^.{1,80}$' }), t.Array(name, { maxItems: 40 }), { maxProperties: 20 }),
});

/** Which rates a call is worked with. */
export const pinnedRates = t.Object({
  version: t.Integer({ minimum: 1, maximum: 2_147_483_647 }),
  make: t.Optional(t.String({ maxLength: 60 })),
  /** Years. */
  age: t.Optional(t.Number({ minimum: 0, maximum: 200 })),
});

export type PinnedRates = t.Static<typeof pinnedRates>;

/** The versions and settings a call is worked under. They never change during the call. */
const pins = {
  profile: name,
  profileVersion: name,
  /** As old logs have it: one variant of the family. */
  variant: t.Optional(name),
  build: t.Optional(build),
  engineVersion: name,
  settings: t.Object({
    units: oneOf(['us', 'si'] as const),
    settingsVersion: name,
    /** The version of the shop's rates, and what they depend on of the machine; those that ship where there is none. */
    rates: t.Optional(pinnedRates),
  }),
};

const body = bodyOf('opened', {
  machine: t.Optional(uuid),
  /** What the appliance is to the rules; logs made before say it by the name of the profile. */
  family: t.Optional(oneOf(FAMILIES)),
  /** Resets without a cause on this machine in the last thirty days. */
  before: t.Optional(
    t.Array(t.Object({ safety: name, title: name, kind: name, at: name, event: name }), { maxItems: 50 }),
  ),
  /** The limits of the shop, where they are stricter than practice’s. */
  limits: t.Optional(t.Object({ coFind: t.Number(), coOff: t.Number(), coOut: t.Number() })),
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

/** How the machine of a call was built when the call was opened. */
export const buildOf = ({ variant, build: own }: Pick<Opened, 'variant' | 'build'>): Build =>
  own ?? withVariant(variant);

/** A build as an entry keeps it. */
export const buildEntry = ({ options, order }: Build): t.Static<typeof build> => ({
  options: [...options],
  order: Object.fromEntries(Object.entries(order).map(([rung, parts]) => [rung, [...parts]])),
});
