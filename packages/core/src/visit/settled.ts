import { NORMAL_SETUP } from '../simulation';
import type { CallEvent } from './event';
import { type SetUp, setupEntry } from './events/setup';
import { retractions } from './retractions';

const LISTS = ['unplugged', 'bypassed', 'actions'] as const;
const SWITCHES = ['power', 'gas', 'call'] as const;

type List = (typeof LISTS)[number];

const listed = (setup: SetUp, list: List): readonly string[] => setup[list] ?? [];

/** What an entry changes of a setup, by name: `gas`, `bypassed limit`. */
export function changesOf(before: SetUp, after: SetUp): string[] {
  const switched = SWITCHES.filter((one) => before[one] !== after[one]);
  const moved = LISTS.flatMap((list) => {
    const [was, is] = [listed(before, list), listed(after, list)];
    return [...was.filter((id) => !is.includes(id)), ...is.filter((id) => !was.includes(id))].map(
      (id) => `${list} ${id}`,
    );
  });
  return [...switched, ...moved];
}

/**
 * A log in order, in which every setup is what it is after all that was changed before it: whoever made an entry did not know
 * what others had done without signal, and does not undo it by not naming it. An entry that does not say what it changed
 * (older logs, stories) sets everything.
 */
export function settled(ordered: readonly CallEvent[]): CallEvent[] {
  const struck = retractions(ordered);
  let now = setupEntry(NORMAL_SETUP);
  return ordered.map((event) => {
    const { body } = event;
    if (body.type !== 'setup') return event;
    const set = body.changed ? changed(now, body, body.changed) : body;
    if (!struck.has(event.id)) now = set;
    return set === body ? event : { ...event, body: set };
  });
}

function changed(now: SetUp, entry: SetUp, changes: readonly string[]): SetUp {
  const mine = (list: List, id: string): boolean => changes.includes(`${list} ${id}`);
  const merged = (list: List): string[] => [
    ...listed(now, list).filter((id) => !mine(list, id)),
    ...listed(entry, list).filter((id) => mine(list, id)),
  ];
  const [unplugged, bypassed, actions] = LISTS.map(merged) as [string[], string[], string[]];
  if (
    SWITCHES.every((one) => changes.includes(one) || now[one] === entry[one]) &&
    LISTS.every((list, i) => same(listed(entry, list), [unplugged, bypassed, actions][i]!))
  )
    return entry;
  const stands = (id: string): boolean => [...unplugged, ...bypassed, ...actions].includes(id);
  const both = <T extends { readonly id: string }>(of: readonly T[] = [], more: readonly T[] = []): T[] =>
    [...of, ...more.filter(({ id }) => !of.some((one) => one.id === id))].filter(({ id }) => stands(id));
  const ledger = both(entry.ledger, now.ledger);
  const apart = both(entry.apart, now.apart);
  // What was said of things that are not there any more goes with them.
  const { ledger: _ledger, apart: _apart, ...said } = entry;
  return {
    ...said,
    power: changes.includes('power') ? entry.power : now.power,
    gas: changes.includes('gas') ? entry.gas : now.gas,
    call: changes.includes('call') ? entry.call : now.call,
    unplugged,
    bypassed,
    actions,
    ...(ledger.length > 0 && { ledger }),
    ...(apart.length > 0 && { apart }),
  };
}

const same = (a: readonly string[], b: readonly string[]): boolean =>
  a.length === b.length && a.every((id) => b.includes(id));
