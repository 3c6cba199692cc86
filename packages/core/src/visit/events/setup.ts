import * as t from '@sinclair/typebox';
import { unknownName } from '../../profile';
import { bodyOf, name } from '../../question';
import type { Setup } from '../../simulation';
import { words } from '../fields';
import type { EventKind } from './event-kind';

const names = t.Array(name, { maxItems: 50 });

/** A safety that is gone round: what it is called, what kind it is, how long it may stay like that (seconds). */
const ledgerLine = t.Object({
  id: name,
  title: words,
  kind: name,
  limit: t.Integer({ minimum: 0, maximum: 172_800 }),
  /** It was found like that. */
  found: t.Optional(t.Boolean()),
  /** What it is to show. */
  why: t.Optional(t.String({ maxLength: 300 })),
});

export type LedgerLine = t.Static<typeof ledgerLine>;

const body = bodyOf('setup', {
  power: t.Boolean(),
  gas: t.Boolean(),
  /** The call for heat. */
  call: t.Boolean(),
  unplugged: names,
  bypassed: names,
  /** Actions of the profile in force; logs made before there were any have none. */
  actions: t.Optional(names),
  /** What this entry changed, by name (`gas`, `bypassed limit`): the rest is as others left it. */
  changed: t.Optional(t.Array(t.String({ minLength: 1, maxLength: 100 }), { maxItems: 200 })),
  /** What is gone round, for readers that do not know the profile; logs made before there was a ledger have none. */
  ledger: t.Optional(t.Array(ledgerLine, { maxItems: 50 })),
  /** What is unplugged or done, as it is called. */
  apart: t.Optional(t.Array(t.Object({ id: name, title: words }), { maxItems: 100 })),
  /** Safeties whose reset is pressed by an action that begins with this. */
  resets: t.Optional(t.Array(t.Object({ id: name, title: words, kind: name }), { maxItems: 20 })),
  /** When it was so, if that was earlier than the entry. */
  since: t.Optional(t.String({ format: 'date-time', maxLength: 40 })),
});

export type SetUp = t.Static<typeof body>;

/** How the appliance is set from now on: a new episode. */
export const setup: EventKind<typeof body> = {
  body,
  problem: (model, { unplugged, actions = [], bypassed }) =>
    unknown(model.plugs, unplugged, 'connector') ??
    unknown(model.actions, actions, 'action') ??
    unknown(model.parts, bypassed, 'part'),
  apply: (draft, { power, gas, call, unplugged, bypassed, actions = [] }) => {
    const { repaired, measured = [] } = draft.present;
    const { apart } = draft.present.setup;
    draft.episodes.push({
      setup: { power, gas, heatCall: call, unplugged, bypassed, actions, ...(apart && { apart }) },
      repaired,
      measured,
    });
  },
};

/** The entry that says how the appliance is set, by the names of the profile alone. */
export const setupEntry = ({ heatCall, power, gas, unplugged, bypassed, actions }: Setup): SetUp => ({
  type: 'setup',
  power,
  gas,
  call: heatCall,
  unplugged: [...unplugged],
  bypassed: [...bypassed],
  actions: [...actions],
});

function unknown(list: readonly { readonly id: string }[], ids: readonly string[], what: string): string | undefined {
  const known = list.map((x) => x.id);
  const stranger = ids.find((id) => !known.includes(id));
  return stranger === undefined ? undefined : unknownName(what, stranger, known);
}
