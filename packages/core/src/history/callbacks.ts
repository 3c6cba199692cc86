/** A visit to a machine, as its life shows it. */
interface Visit {
  readonly id: string;
  /** When it was opened, as JSON has it. */
  readonly openedAt: string;
  /** How it ended; nothing while it is open. */
  readonly ending: string | null;
}

/** How a visit hangs together with its neighbours in time. */
interface Callback {
  /** The visit that it came back from. */
  readonly of?: string;
  /** The visit that came back from it. */
  readonly by?: string;
}

/** Days within which a machine is called for again. */
export const CALLBACK_WITHIN_DAYS = 30;
const DAY = 24 * 3600 * 1000;
/** The ending of a call on which nobody was there. */
export const NO_VISIT = 'mistake';

/** Visits that came back to a machine within thirty days, whatever broke, and those they came back from; by id. */
export function callbacksAmong(visits: readonly Visit[]): ReadonlyMap<string, Callback> {
  const found = new Map<string, Callback>();
  const inOrder = visits
    .filter((v) => v.ending !== NO_VISIT)
    .map(({ id, openedAt }) => ({ id, at: Date.parse(openedAt) }))
    .sort((a, b) => a.at - b.at);
  for (const [i, visit] of inOrder.entries()) {
    const before = inOrder[i - 1];
    if (!before || visit.at - before.at > CALLBACK_WITHIN_DAYS * DAY) continue;
    found.set(before.id, { ...found.get(before.id), by: visit.id });
    found.set(visit.id, { ...found.get(visit.id), of: before.id });
  }
  return found;
}
