import { ENGINE_VERSION, type Engine } from '@zetalysis/core/diagnosis';
import type { Hypothesis } from '@zetalysis/core/inference';
import { type HowTheyWork, ScriptedTechnician, WrittenLog } from '@zetalysis/core/practice';
import { draftRecord, snapshot } from '@zetalysis/core/presentation';
import { loadProfile } from '@zetalysis/core/profile';
import type { EndingId } from '@zetalysis/core/rules';
import { NORMAL_SETUP, pick, pickBy, Random, VirtualAppliance, varied } from '@zetalysis/core/simulation';
import { buildEntry, type CallEvent, setupEntry } from '@zetalysis/core/visit';
import { dayOf, idAt } from './calendar';
import { COUNTERS } from './invented';
import type { SeasonMachine } from './machines';
import type { PlannedCall } from './planned-calls';

/** The profile of a machine, and the engine that knows it. */
export interface Known {
  readonly source: string;
  readonly engine: Engine;
}

/** A call that was played to its end. */
export interface PlayedCall {
  readonly events: readonly CallEvent[];
  /** Ended so; `open` where it did not. */
  readonly ended: string;
}

const DAY_MINUTES = 24 * 60;

/** Seldom wrong, and the break is recorded as the page drafts it. */
const BY_THE_BOOK: HowTheyWork = {
  misreported: 0.01,
  record: (engine, assessment) => ({
    type: 'break-recorded',
    ...draftRecord(engine, assessment),
    advice: snapshot(engine, assessment, []),
  }),
};

/** Plays a planned call on a virtual appliance, entry by entry. The same plan gives the same log. */
export function playCall(plan: PlannedCall, { machine }: SeasonMachine, { source, engine }: Known): PlayedCall {
  const random = new Random(plan.seed);
  const { model } = engine;
  const hidden = hiddenIn(plan, engine, random);
  const appliance = new VirtualAppliance(
    loadProfile(source, machine.profile, { build: machine.build, vary: varied(random) }),
    hidden?.faults ?? [],
  );
  const log = new WrittenLog(model, plan.at, plan.person, (now) => idAt(now, random));
  log.write(
    {
      type: 'opened',
      machine: machine.id,
      complaint: plan.complaint,
      ...(model.family !== undefined && { family: model.family }),
      profile: machine.profile,
      profileVersion: model.version,
      build: buildEntry(machine.build),
      engineVersion: ENGINE_VERSION,
      settings: { units: 'us', settingsVersion: '1' },
    },
    0,
  );
  const technician = new ScriptedTechnician(engine, appliance, log, plan.authority, random, BY_THE_BOOK);
  const ended = plan.kind === 'today' ? 'open' : visit(plan, technician, log, engine, random);
  return { events: log.events, ended };
}

/** What is broken, by how often it breaks. */
function hiddenIn({ kind }: PlannedCall, engine: Engine, random: Random): Hypothesis | undefined {
  if (kind === 'nothing' || kind === 'service' || kind === 'today') return undefined;
  const faults = engine.hypotheses.filter((h) => h.kind === 'fault' && h.occurs === 1 && h.faults.length === 1);
  return pickBy(faults, (h) => h.prior, random);
}

function visit(
  plan: PlannedCall,
  technician: ScriptedTechnician,
  log: WrittenLog,
  engine: Engine,
  random: Random,
): string {
  // On the way, and before the machine.
  log.wait(20 + random.next() * 50);
  if (plan.kind === 'service') {
    engine.model.gauges.slice(0, 4).forEach((_g, i) => technician.read(i));
    technician.watchRun();
    return closed(technician, 'nothing-found', {
      run: 'one full heat',
      complaint: 'A yearly service: nothing was wrong.',
    });
  }
  if (plan.kind === 'found-jumper') foundJumper(log, engine);
  technician.watch();
  if (plan.kind === 'test-jumper') testJumper(log, engine);
  for (let round = 0; round < 2; round++) {
    if (technician.diagnose() === 'nothing') {
      technician.watchRun();
      const nothing = { run: 'two full heats', complaint: 'It ran as it should while somebody stood there.' };
      return round === 0 ? closed(technician, 'nothing-found', nothing) : away(technician, log, random);
    }
    if (plan.kind === 'waiting' && round === 0) partFirst(plan, technician, log, engine, random);
    technician.record('Replaced or put right, run afterwards.');
    if (technician.repair()) {
      technician.prove();
      const ended = closed(technician, 'proved');
      return ended === 'open' ? leftOff(technician) : ended;
    }
    technician.watch();
  }
  return away(technician, log, random);
}

/** Ends a call; one that lacks something of its ending stays open. */
const closed = (
  technician: ScriptedTechnician,
  ending: EndingId,
  given: Readonly<Record<string, string>> = {},
): string => (technician.close(ending, given).length === 0 ? ending : 'open');

/** It runs, and a stop stands: it stays off until that is out of the world. */
function leftOff(technician: ScriptedTechnician): string {
  technician.off();
  const given = { why: 'A danger that is not out of the world yet.', told: 'The owner', tag: 'At the service switch' };
  return closed(technician, 'left-off', given);
}

/** Nothing helped: it stays off until somebody who knows more has looked. */
function away(technician: ScriptedTechnician, log: WrittenLog, random: Random): string {
  technician.off();
  const when = `${dayOf(log.at, 1 + Math.floor(random.next() * 3))}`;
  return closed(technician, 'waiting', { for: 'a second look', whom: 'Rosa', when });
}

/** The part is not in the van: it is ordered, the call waits, and somebody comes again with it. */
function partFirst(
  plan: PlannedCall,
  technician: ScriptedTechnician,
  log: WrittenLog,
  engine: Engine,
  random: Random,
): void {
  const { leading } = engine.assess(log.state.evidence).suspects[0]!;
  const what = leading.breaks === undefined ? 'a part' : engine.model.parts[leading.breaks]!.title;
  const days = 1 + Math.floor(random.next() * 5);
  const expected = dayOf(log.at, days);
  const from = pick(COUNTERS, random);
  const needed = log.write({ type: 'part-needed', what, from, expected }, 2);
  technician.off();
  technician.close('waiting', { for: what, whom: from, when: expected });
  log.handTo(plan.second, log.at + days * DAY_MINUTES * 60_000);
  log.write({ type: 'reopened', words: 'The part has come.' }, 0);
  log.write({ type: 'part-arrived', event: needed });
  log.write(setupEntry(NORMAL_SETUP), 15);
}

/** Somebody has gone round the limit before: it comes off first of all. */
function foundJumper(log: WrittenLog, engine: Engine): void {
  const limit = engine.model.parts.find((p) => p.safety === 'furnace-limit');
  if (!limit) return;
  log.write({
    ...setupEntry({ ...NORMAL_SETUP, bypassed: [limit.id] }),
    ledger: [{ id: limit.id, title: limit.title, kind: limit.safety!, limit: 0, found: true }],
  });
  log.write(
    { type: 'note', text: 'A paper clip across the limit. The owner says a friend did it in spring. Taken off.' },
    1,
  );
  log.write(setupEntry({ ...NORMAL_SETUP, power: false }), 1);
  log.write(setupEntry(NORMAL_SETUP), 2);
}

/** The air switch is gone round for one try with somebody beside it, and is in its place again ten minutes later. */
function testJumper(log: WrittenLog, engine: Engine): void {
  const air = engine.model.parts.find((p) => p.safety === 'air-proof');
  if (!air) return;
  log.write({ type: 'fact', fact: 'draft', value: 'enough' }, 3);
  log.write(setupEntry({ ...NORMAL_SETUP, power: false }), 1);
  log.write({ type: 'need', need: 'watch', of: air.id, answer: 'met' });
  log.write({
    ...setupEntry({ ...NORMAL_SETUP, power: false, bypassed: [air.id] }),
    ledger: [
      { id: air.id, title: air.title, kind: air.safety ?? 'unnamed', limit: 600, why: 'Is it the switch or its wire?' },
    ],
  });
  log.write(setupEntry({ ...NORMAL_SETUP, bypassed: [air.id] }), 1);
  log.write(setupEntry({ ...NORMAL_SETUP, power: false }), 4);
  log.write(setupEntry(NORMAL_SETUP), 1);
}
