import type { PatternsStanding } from '@zetalysis/contract';
import { ageOf, type CaseFacts } from '@zetalysis/core/book';
import { ageAt } from '@zetalysis/core/history';
import { madeAt } from '@zetalysis/core/visit';
import { asEvent, callWith, eventsAfter, readingsOnMachine } from '../calls/repository';
import { keptLimits } from '../limits/repository';
import { machineWith } from '../machines/repository';
import { type Book, standingOf } from './book';
import { bookOf } from './kept-rates';
import { keepFacts, keepLines, unreadCalls, unreadMachines } from './repository/reading';

/** As many calls are read for one request, for as long at most, milliseconds: it is asked again until none is left. */
const AT_ONCE = 40;
const LONGEST = 2000;
/** As many entries a call may have. */
const MOST_ENTRIES = 5000;

/** Reads closed calls into the book. */
export class BookReading {
  constructor(private readonly of: Book) {}

  /** Reads some calls into the book. */
  async read(): Promise<PatternsStanding> {
    if (await this.#readSome()) this.of.sums.changed();
    return standingOf(this.of);
  }

  /** Whether anything was read. */
  async #readSome(): Promise<boolean> {
    const until = Date.now() + LONGEST;
    const calls = await unreadCalls(AT_ONCE);
    for (const { callId, upTo } of calls) {
      await this.#readCall(callId, upTo);
      if (Date.now() > until) return true;
    }
    const machines = await unreadMachines(AT_ONCE);
    for (const { machineId, stamp } of machines) {
      await this.#readMachine(machineId, stamp);
      if (Date.now() > until) break;
    }
    return calls.length + machines.length > 0;
  }

  async #readCall(id: string, upTo: number): Promise<void> {
    const call = (await callWith(id))!;
    const machine = call.machineId === null ? null : await machineWith(call.machineId);
    const make = machine?.make ?? '';
    const age = machine ? ageAt(machine.sheet?.made, call.createdAt) : undefined;
    const about = {
      callId: id,
      upTo,
      profile: call.profile,
      machineId: call.machineId,
      make,
      age: ageOf(age) ?? null,
      personId: call.openedBy,
      openedAt: call.createdAt,
    };
    const facts = await this.#factsOf(call);
    const at = facts?.advised;
    await keepFacts(
      {
        ...about,
        ...(facts && {
          part: facts.part,
          title: facts.title.slice(0, 120),
          cause: facts.cause,
          causeTitle: facts.causeTitle.slice(0, 120),
          standing: facts.standing,
          repairs: facts.repairs,
          watched: facts.watched,
          complaintRight: at?.complaint?.right ?? null,
          watchedRight: at?.watched?.right ?? null,
          halfRight: at?.half?.right ?? null,
          endRight: at?.end?.right ?? null,
          watchedSaid: at?.watched?.said ?? null,
          tests: facts.tests,
          minutes: facts.minutes,
          plannedTests: facts.planned?.tests ?? null,
          plannedMinutes: facts.planned?.minutes ?? null,
          cannot: facts.cannot,
          willNot: facts.willNot,
          fitted: facts.fitted,
          unproved: facts.unproved,
          inVain: facts.inVain,
        }),
      },
      facts?.ways ?? {},
      facts?.timed ?? [],
    );
  }

  /** Where the readings of a machine go. */
  async #readMachine(id: string, stamp: number): Promise<void> {
    const machine = await machineWith(id);
    if (!machine) return keepLines(id, stamp, []);
    const { source } = await this.of.profiles.get(machine.profile, 400);
    const events = (await readingsOnMachine(id, MOST_ENTRIES)).map(asEvent);
    const entries = events.map((e) => ({ id: e.id, call: e.call, at: madeAt(e), body: e.body }));
    const asked = { source, build: machine.build, entries, kept: await keptLimits(id) };
    // One whose readings cannot be understood any more has no lines.
    await keepLines(id, stamp, await this.of.reader.lines(asked).catch(() => []));
  }

  async #factsOf({ id, profile, profileVersion, build, settings }: Known): Promise<CaseFacts | undefined> {
    const { source } = await this.of.profiles.get(profile, 400, profileVersion);
    const { rows } = await eventsAfter(id, 0, MOST_ENTRIES);
    const { version, ...machine } = settings.rates ?? {};
    const book = version === undefined ? undefined : await bookOf(version);
    const asked = {
      source,
      build,
      events: rows.map(asEvent),
      rates: book && { book, of: { profile, ...machine } },
    };
    // A log that cannot be replayed must not keep the others out; when the database fails, nothing is written of the call.
    return this.of.reader.facts(asked).catch(() => undefined);
  }
}

type Known = NonNullable<Awaited<ReturnType<typeof callWith>>>;
