import { useQueries } from '@tanstack/react-query';
import type { DayItem, Me } from '@zetalysis/contract';
import type { CallLength } from '@zetalysis/core/presentation';
import type { TestingStandard } from '@zetalysis/core/standards';
import type { CallEvent } from '@zetalysis/core/visit';
import { callbacksOf } from '../api/ended';
import { http } from '../api/http';
import { holdEngine } from './client';

const STALE_MS = 5 * 60_000;

/** A call as a day has it: how long it takes, and what machine it is. */
export interface LengthOfCall extends CallLength {
  readonly profile: string;
  /** What broke on its machine shortly before, where somebody was there and nothing else is known yet. */
  readonly before: Before | undefined;
}

interface Before {
  readonly part: string;
  readonly title: string;
  readonly at: string;
}

/** How long each call of a day takes from where it stands, by the engine; nothing while that is not known. */
export function useLengths(
  items: readonly Pick<DayItem, 'call' | 'over'>[],
  me: Me,
  standard: TestingStandard,
): ReadonlyMap<string, LengthOfCall> {
  const calls = items.flatMap(({ call, over }) => (call !== null && !over ? [call] : []));
  return useQueries({
    queries: calls.map((call) => ({
      queryKey: ['length', call, me.role, me.grants, standard],
      staleTime: STALE_MS,
      queryFn: () => lengthOf(call, me, standard),
    })),
    combine: (asked) =>
      new Map(asked.flatMap(({ data }, i) => (data === undefined ? [] : [[calls[i]!, data] as const]))),
  });
}

async function lengthOf(id: string, { role, grants }: Me, standard: TestingStandard): Promise<LengthOfCall> {
  const head = await http('GET /calls/:id', { params: { id } });
  const log: CallEvent[] = [];
  for (let last = 0; ;) {
    const page = await http('GET /calls/:id/events', { params: { id }, query: { after: String(last) } });
    log.push(...page.entries.map(({ event, as }) => ({ ...event, ...(as && { as }) })));
    last = page.entries.at(-1)?.number ?? page.last;
    if (last >= page.last) break;
  }
  const hold = holdEngine();
  try {
    const engine = await hold.load(head.profile, head.profileVersion, head.build, head.settings.rates);
    const length = await engine.length(log, { person: { role, grants }, standard });
    const before = head.machine && length.untouched ? await brokeBefore(id, head.machine.id) : undefined;
    return { ...length, profile: head.profile, before };
  } finally {
    hold.release();
  }
}

/** What was recorded on the visit that a call comes back from. */
async function brokeBefore(call: string, machine: string): Promise<Before | undefined> {
  const calls = await http('GET /machines/:id/calls', { params: { id: machine } });
  const of = callbacksOf(calls).get(call)?.of;
  const visit = calls.find(({ id }) => id === of);
  const record = visit?.overview.record;
  return record && record.part !== 'none' ? { part: record.part, title: record.title, at: visit.openedAt } : undefined;
}
