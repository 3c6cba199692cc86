import { type Assessment, type Engine, standingOf } from '../diagnosis';
import type { Question } from '../question';
import {
  type Authority,
  closingProblems,
  type EndingId,
  endingWith,
  METER_AFTER,
  type Need,
  offer,
  openLines,
  type ProofLine,
} from '../rules';
import { NORMAL_SETUP, type Random, type VirtualAppliance } from '../simulation';
import { type TestingStandard, USUAL_STANDARD } from '../standards';
import { setupFor, type Test, wantedOf } from '../test-choice';
import { type EventBody, setupEntry } from '../visit';
import { entryOf } from './entry-of';
import { lineDone } from './line-done';
import { SimulatedTechnician } from './simulated-technician';
import type { WrittenLog } from './written-log';

/** How a visit came out. */
export type Found = 'proved' | 'suspected' | 'nothing';

/** How somebody works. */
export interface HowTheyWork {
  /** Share of cues, outcomes and codes that they get wrong. */
  readonly misreported: number;
  /** How a break is written down, with the advice of that moment. */
  readonly record: (engine: Engine, assessment: Assessment) => Extract<EventBody, { type: 'break-recorded' }>;
  /** In which order they were taught to test. */
  readonly standard?: TestingStandard;
}

const MOST_TESTS = 14;
/** Somebody stops testing where the break is proved and leads with so much. */
const ENOUGH = 0.9;

/**
 * Somebody who works a call on a virtual appliance by the book: watches a try, takes the first advised test with everything that it
 * needs, records the break, repairs, proves, and writes down each of these as the page would.
 */
export class ScriptedTechnician {
  readonly #hand: SimulatedTechnician;
  readonly #declined = new Set<string>();

  constructor(
    private readonly engine: Engine,
    private readonly appliance: VirtualAppliance,
    private readonly log: WrittenLog,
    private readonly authority: Authority,
    private readonly random: Random,
    private readonly how: HowTheyWork,
  ) {
    this.#hand = new SimulatedTechnician(appliance, random, { leads: 0.2, set: 'dc', ...how });
  }

  /** Looks on while it tries once: every step, how it ends, what the light shows. */
  watch(): void {
    const { model } = this.engine;
    for (const phase of model.phases) this.#ask({ kind: 'seen', phase: phase.index }, 0.4);
    this.#ask({ kind: 'outcome' }, 1);
    if (model.codes.length > 0) this.#ask({ kind: 'code' }, 0.3);
  }

  /** Tests until the break is proved, nothing is wrong, or no test is worth making. */
  diagnose(): Found {
    for (let made = 0; ; made++) {
      const { state } = this.log;
      const assessment = this.engine.assess(state.evidence);
      const first = assessment.suspects[0]!;
      if (standingOf(assessment) === 'proved' && first.probability > ENOUGH) return 'proved';
      if (first.repair === 'none' && first.probability > 0.8) return 'nothing';
      const next = made < MOST_TESTS && this.#next(assessment);
      if (!next) return first.leading.breaks === undefined ? 'nothing' : 'suspected';
      this.#make(next);
    }
  }

  /** The break as the engine drafts it, with the advice of that moment; whoever wrote it says what is done. */
  record(action: string): void {
    const assessment = this.engine.assess(this.log.state.evidence);
    this.log.write({ ...this.how.record(this.engine, assessment), action }, 1.5);
  }

  /**
   * Takes out what leads, and what made it open; every new part is measured first. Somebody who always fits something takes the first
   * suspect that is a part. Whether everything runs then.
   */
  repair(anyway?: 'a part'): boolean {
    const { suspects } = this.engine.assess(this.log.state.evidence);
    const { leading } = suspects.find((s) => anyway === undefined || s.leading.faults.length > 0) ?? suspects[0]!;
    this.off();
    for (const fault of leading.faults) {
      const { id, title, modes } = this.engine.model.parts[fault.part]!;
      const fitted = modes[fault.mode]!.repair === 'replace';
      const action = `${fitted ? 'New' : 'Put right:'} ${title}`;
      this.log.write({ type: 'repaired', part: id, action, ...(fitted && { measured: true }) }, fitted ? 18 : 9);
    }
    this.#normal();
    return this.appliance.runs(this.log.state.evidence.episodes);
  }

  /** Every line of the proof, each number within its limits, watched as long as it asks. */
  prove(): void {
    const { log } = this;
    if (this.#burns) {
      log.write({ type: 'fact', fact: 'smell', value: 'none' });
      log.write({ type: 'fact', fact: 'co', value: Math.floor(this.random.next() * 5) });
    }
    log.write({ type: 'fact', fact: 'showed', value: 'steady' });
    const { c } = log.state.followed;
    for (const [safety, { mended }] of c.causes)
      if (!mended) log.write({ type: 'cause', safety, words: 'Found, and mended with this repair.', mended: true });
    log.wait(15);
    // What was done for one line may ask for another.
    for (let round = 0; round < 3; round++) for (const line of openLines(log.state.followed)) this.#line(line);
  }

  /** Closes the call, if its ending has all that it asks for; else what it lacks. */
  close(ending: EndingId, given: Readonly<Record<string, string>> = {}): readonly string[] {
    const lacking = closingProblems(endingWith(ending)!, given, this.log.state.followed);
    if (lacking.length === 0) this.log.write({ type: 'closed', words: '', ending, given: { ...given } }, 1);
    return lacking;
  }

  /** Smell and CO, as a run is watched to its end. */
  watchRun(): void {
    if (this.#burns) this.log.write({ type: 'fact', fact: 'smell', value: 'none' }, 8);
    this.log.write({ type: 'fact', fact: 'co', value: Math.floor(this.random.next() * 6) }, 1);
  }

  /** Power and gas are off, and noted. */
  off(): void {
    this.log.write(setupEntry({ ...NORMAL_SETUP, power: false, gas: false }), 0.5);
  }

  /** Reads a gauge once, as at a service. */
  read(gauge: number): void {
    const test = this.engine.tests.find(
      ({ question, intervention }) => question.kind === 'gauge' && question.gauge === gauge && !intervention,
    );
    if (test) this.#make(test);
  }

  get #burns(): boolean {
    return this.log.state.followed.c.mayBurn;
  }

  #line(line: ProofLine): void {
    const { runs, body } = lineDone(line);
    this.log.wait(runs);
    this.log.write(body, 0.7);
  }

  #next(assessment: Assessment): Test | undefined {
    const { evidence, followed } = this.log.state;
    const { standard = USUAL_STANDARD } = this.how;
    const situation = { evidence, declined: this.#declined, person: this.authority, followed, standard };
    return this.engine.next(situation, assessment)[0]?.test;
  }

  /** One test, with everything that has to be so first, and put back afterwards. */
  #make(test: Test): void {
    const { model } = this.engine;
    const wanted = wantedOf(model, test);
    if (wanted.is !== 'dead') this.#normal();
    for (let asked = 0; asked < 8; asked++) {
      const { followed } = this.log.state;
      const offered = offer(wanted, followed, this.authority);
      if (!offered.offered) return void this.#declined.add(test.id);
      const [need] = offered.first;
      if (!need) break;
      this.#meet(need, wanted.of);
    }
    // What was shut to connect an instrument is opened again: it reads what runs.
    if (wanted.is === 'gauge' || wanted.is === 'volts') this.#normal();
    const { setup } = this.log.state;
    if (test.intervention) this.log.write(setupEntry(setupFor(setup, test.intervention)), 1);
    if (!this.#ask(test.question, test.minutes)) this.#declined.add(test.id);
    // Line voltage that reads dead is believed once the meter has shown that it still reads.
    else if (this.#lacks(METER_AFTER)) this.log.write({ type: 'need', need: 'meter', answer: 'met' }, 0.5);
    if (test.intervention) this.log.write(setupEntry(setup), 1);
  }

  /** Whether the newest entry lacks something that it needs to prove anything. */
  #lacks(need: string): boolean {
    const marks = this.log.state.followed.marks.get(this.log.events.at(-1)!.id) ?? [];
    return marks.some((m) => m.mark === 'without-need' && m.need === need);
  }

  #meet({ id, by }: Need, of: string | undefined): void {
    const { log } = this;
    const { setup } = log.state;
    if (typeof by === 'object' && 'minutes' in by) return log.wait(by.minutes);
    if (typeof by === 'object' && 'set' in by) {
      const off = by.set === 'gas-off' ? { gas: false } : { power: false };
      return void log.write(setupEntry({ ...setup, ...off }), 0.5);
    }
    if (typeof by === 'object' && 'good' in by)
      return void log.write({ type: 'fact', fact: by.fact, value: by.good[0]! });
    if (typeof by === 'object') return void log.write({ type: 'fact', fact: by.fact, value: by.least ?? 2 });
    if (id === 'cause')
      return void log.write({ type: 'cause', safety: of ?? '', words: 'Looked for what heats it up.', mended: false });
    log.write({
      type: 'need',
      need: id,
      answer: 'met',
      ...(of !== undefined && (id === 'isolated' || id === 'watch') && { of }),
      ...(by === 'words' && { words: 'As it stood before.' }),
    });
  }

  /** Power, gas and call are on again, everything is in its place. */
  #normal(): void {
    const { setup } = this.log.state;
    const { power, gas, heatCall, unplugged, bypassed, actions } = setup;
    if (power && gas && heatCall && unplugged.length + bypassed.length + actions.length === 0) return;
    this.log.write(setupEntry(NORMAL_SETUP), 0.5);
  }

  /** Asks the appliance, and writes the answer down; false where there is none. */
  #ask(question: Question, minutes: number): boolean {
    const observation = this.#hand.answer(this.log.state.evidence.episodes, question);
    const body = observation && entryOf(this.engine.model, observation);
    if (!body) return false;
    this.log.write(body, minutes);
    return true;
  }
}
