import * as t from '@sinclair/typebox';
import { findPart, type Model, unknownName } from '../../profile';
import { bodyOf, name } from '../../question';
import type { Setup } from '../../simulation';
import { words } from '../fields';
import type { EventKind } from './event-kind';

const names = t.Array(name, { maxItems: 50 });

/** A safety that is gone round: what it is called, what kind it is, how long it may stay like that (seconds). */
const ledgerLine = t.Object({ id: name, title: words, kind: name, limit: t.Integer({ minimum: 0, maximum: 172_800 }) });

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
  /** What is gone round, for readers that do not know the profile; logs made before there was a ledger have none. */
  ledger: t.Optional(t.Array(ledgerLine, { maxItems: 50 })),
});

type SetUp = t.Static<typeof body>;

/** How the appliance is set from now on: a new episode. */
export const setup: EventKind<typeof body> = {
  body,
  problem: (model, { unplugged, actions = [], bypassed }) =>
    unknown(model.plugs, unplugged, 'connector') ??
    unknown(model.actions, actions, 'action') ??
    bypass(model, bypassed),
  apply: (draft, { type: _type, ledger: _ledger, call, actions = [], ...rest }) => {
    const { repaired, measured = [] } = draft.present;
    draft.episodes.push({ setup: { ...rest, heatCall: call, actions }, repaired, measured });
  },
};

/** The entry that says how the appliance is set; of what can be gone round on it, what is. */
export function setupEntry(
  { heatCall, power, gas, unplugged, bypassed, actions }: Setup,
  safeties: readonly LedgerLine[],
): SetUp {
  const ledger = safeties.filter(({ id }) => bypassed.includes(id) || actions.includes(id));
  return {
    type: 'setup',
    power,
    gas,
    call: heatCall,
    unplugged: [...unplugged],
    bypassed: [...bypassed],
    actions: [...actions],
    ...(ledger.length === 0 ? {} : { ledger: ledger.map((line) => ({ ...line })) }),
  };
}

function unknown(list: readonly { readonly id: string }[], ids: readonly string[], what: string): string | undefined {
  const known = list.map((x) => x.id);
  const stranger = ids.find((id) => !known.includes(id));
  return stranger === undefined ? undefined : unknownName(what, stranger, known);
}

function bypass(model: Model, ids: readonly string[]): string | undefined {
  for (const id of ids) {
    const part = findPart(model, id);
    if (!part) return unknown(model.parts, [id], 'part');
    if (part.kind.bypass?.(part.spec) === 'never') return `the ${part.title} is never bypassed: find out why it opened`;
  }
  return undefined;
}
