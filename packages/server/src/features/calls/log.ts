import { createHash } from 'node:crypto';
import type { CreationAttributes, Transaction } from 'sequelize';
import {
  type Arrived,
  type CallEvent,
  compareEvents,
  type EventBody,
  type LogSoFar,
  OVERVIEW_TYPES,
} from '@zetalysis/core/visit';
import { retried } from '../../db/retry';
import { canonical } from './canonical';
import { Call, LoggedEvent } from './model';
import { projectOverview } from './overviews';
import { asEvent, entriesInBrief, eventRow, safetyEntries, storedUnder } from './repository';

/** What became of one entry. */
export type Verdict<Refused> =
  | { readonly id: string; readonly number: number }
  /** Another entry is stored under its id. */
  | { readonly id: string; readonly differs: true }
  | { readonly id: string; readonly refused: Refused };

/** What decides over entries that are not stored yet. */
export interface Admission<Refused> {
  /** Why an entry cannot be taken, given the log so far. */
  readonly refuse: (event: CallEvent, log: LogSoFar) => Refused | undefined;
  /** The head of the call that an opening entry makes. */
  readonly head: (opening: Extract<EventBody, { type: 'opened' }>) => CreationAttributes<Call>;
}

/**
 * Takes entries into the log of one call: whole and unchanged, or not at all. Every entry gets the next number of the call;
 * when two writers take the same one, the database refuses one of them and that one starts again. So numbers have no gap, and
 * an entry can only be seen when all before it can. The overview is made in the same transaction.
 */
export const appendToLog = <Refused>(
  call: string,
  sent: readonly CallEvent[],
  admission: Admission<Refused>,
): Promise<Verdict<Refused>[]> =>
  retried(Call.sequelize!, async (transaction) => {
    const log = await lightLog(call, transaction);
    const stored = new Map(
      (
        await storedUnder(
          sent.map((e) => e.id),
          transaction,
        )
      ).map((e) => [e.id, e]),
    );
    const verdicts: Verdict<Refused>[] = [];
    const fresh: Arrived[] = [];
    for (const event of [...sent].sort(compareEvents)) {
      const known = stored.get(event.id) ?? fresh.find((f) => f.event.id === event.id);
      verdicts.push(verdictOf(event, known, admission, log, fresh));
    }
    if (fresh.length > 0) await store(call, fresh, log, admission, transaction);
    return verdicts;
  });

function verdictOf<Refused>(
  event: CallEvent,
  known: LoggedEvent | Arrived | undefined,
  admission: Admission<Refused>,
  log: LightLog,
  fresh: Arrived[],
): Verdict<Refused> {
  const { id } = event;
  if (known) {
    const same = 'event' in known ? canonical(known.event) === canonical(event) : isCopy(known, event);
    return same ? { id, number: known.number } : { id, differs: true };
  }
  const refused = admission.refuse(event, log);
  if (refused !== undefined) return { id, refused };
  const number = log.last + 1;
  fresh.push({ event, number });
  log.take(event, number);
  return { id, number };
}

/** Whether what is stored is what was sent; once words were taken out, their hash tells. */
function isCopy(stored: LoggedEvent, sent: CallEvent): boolean {
  return stored.hash === null ? canonical(asEvent(stored)) === canonical(sent) : stored.hash === hashOf(sent);
}

/** SHA-256 of an entry as it was made. */
export const hashOf = (event: CallEvent): string => createHash('sha256').update(canonical(event)).digest('hex');

async function store<Refused>(
  call: string,
  fresh: readonly Arrived[],
  log: LightLog,
  { head }: Admission<Refused>,
  transaction: Transaction,
): Promise<void> {
  const opening = fresh.find(({ event }) => event.body.type === 'opened')?.event.body;
  if (opening?.type === 'opened') await Call.create(head(opening), { transaction });
  await LoggedEvent.bulkCreate(fresh.map(eventRow), { transaction });
  await projectOverview(call, log.safety, log.last, transaction);
}

/** What a transaction knows of a call's log: enough to admit entries and to make the overview. */
class LightLog implements LogSoFar {
  last = 0;
  clock = 0;
  opened = false;
  readonly #ids = new Set<string>();

  /** `safety` holds the entries that the overview is made from. */
  constructor(readonly safety: Arrived[]) {}

  readonly holds = (id: string): boolean => this.#ids.has(id);

  add({ id, seq, type, number }: Pick<LoggedEvent, 'id' | 'seq' | 'type' | 'number'>): void {
    this.last = Math.max(this.last, number);
    this.clock = Math.max(this.clock, seq);
    this.opened ||= type === 'opened';
    this.#ids.add(id);
  }

  take(event: CallEvent, number: number): void {
    this.add({ ...event, type: event.body.type, number });
    if (OVERVIEW_TYPES.includes(event.body.type)) this.safety.push({ event, number });
  }
}

async function lightLog(call: string, transaction: Transaction): Promise<LightLog> {
  const rows = await entriesInBrief(call, transaction);
  const log = new LightLog(rows.length === 0 ? [] : await safetyEntries(call, transaction));
  for (const row of rows) log.add(row);
  return log;
}
