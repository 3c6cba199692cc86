import { createHash } from 'node:crypto';
import type { CreationAttributes, Transaction } from 'sequelize';
import {
  type Arrived,
  type CallEvent,
  compareEvents,
  type EventBody,
  type LogSoFar,
  OVERVIEW_TYPES,
  pointsAt,
} from '@zetalysis/core/visit';
import type { Authority } from '@zetalysis/core/rules';
import { retried } from '../../db/retry';
import { canonical } from './canonical';
import { Call, LoggedEvent } from './model';
import { keepWords } from '../search/repository';
import { keepUpkeep } from './upkeep';
import { keepOverview, projectOverview } from './overviews';
import { asEvent, eventRow, idsIn, largestOf, safetyEntries, storedUnder } from './repository';

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
  /** What the sender may do now: kept beside the entries. */
  readonly authority: Authority | undefined;
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
    const log = await logSoFar(call, sent, transaction);
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
    if (fresh.length > 0) await store(call, fresh, log.last, admission, transaction);
    return verdicts;
  });

function verdictOf<Refused>(
  event: CallEvent,
  known: LoggedEvent | Arrived | undefined,
  admission: Admission<Refused>,
  log: GrowingLog,
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
  last: number,
  { head, authority }: Admission<Refused>,
  transaction: Transaction,
): Promise<void> {
  const opening = fresh.find(({ event }) => event.body.type === 'opened')?.event.body;
  if (opening?.type === 'opened') await Call.create(head(opening), { transaction });
  await LoggedEvent.bulkCreate(
    fresh.map((entry) => eventRow(entry, authority)),
    { transaction },
  );
  await keepWords(
    fresh.map(({ event }) => event),
    transaction,
  );
  if (fresh.some(({ event }) => event.body.type === 'opened' || OVERVIEW_TYPES.includes(event.body.type)))
    await projectOverview(call, await safetyEntries(call, transaction), last, transaction);
  else await keepOverview(call, last, transaction);
  if (fresh.some(({ event }) => UPKEEP.has(event.body.type))) await keepUpkeep(call, transaction);
}

/** Entries after which what was done of a machine's upkeep is read again: one of it, or one that may take one back. */
const UPKEEP: ReadonlySet<EventBody['type']> = new Set(['upkeep-done', 'retracted']);

/** What a transaction knows of a call's log, with the entries that it takes itself. */
class GrowingLog implements LogSoFar {
  readonly #ids: Set<string>;

  /** `ids` are those entries of the call that something sent points at. */
  constructor(
    public last: number,
    public clock: number,
    ids: readonly string[],
  ) {
    this.#ids = new Set(ids);
  }

  get opened(): boolean {
    return this.last > 0;
  }

  readonly holds = (id: string): boolean => this.#ids.has(id);

  take({ id, seq }: CallEvent, number: number): void {
    this.last = number;
    this.clock = Math.max(this.clock, seq);
    this.#ids.add(id);
  }
}

async function logSoFar(call: string, sent: readonly CallEvent[], transaction: Transaction): Promise<GrowingLog> {
  const { last, clock } = await largestOf(call, transaction);
  const pointed = sent.flatMap(({ body }) => pointsAt(body) ?? []);
  const ids = pointed.length === 0 ? [] : await idsIn(call, pointed, transaction);
  return new GrowingLog(last, clock, ids);
}
