import type { FunctionId, Place } from '../instruments';
import { findPhase } from '../profile';
import { kindOf, observationOf, type Question } from '../question';
import { momentIn, type Now, type Outcome, Random, type Setup } from '../simulation';
import { inSeconds, type Millis } from '../units';
import { type CallState, type EventBody, setupEntry } from '../visit';
import { endingOf, type Move, moveOf, opening, type PracticeBody, stateAfter } from './move';
import type { Laid } from './draw-exercise';
import { entryOf } from './entry-of';
import { glassOf } from './gauge-glass';
import { MINUTES } from './hand-minutes';
import { type MachineNow, nextIn, noticed } from './machine-now';
import { InHand, type InstrumentNow } from './in-hand';
import { heldFor, knobNow, knobOf, pilotBurned } from './knob';
import { bodyOfReading, questionAt } from './noted-reading';
import { othersNow } from './other-appliances';
import { behindPanel, panelSwitch } from './panel';
import { hasPower, type Supply, supplyAfter } from './supply';
import { Witness } from './witness';

const PANEL_ON = 'The panel is on: take it off first';

const LET_GO =
  'The knob was let go too early: the pilot went out, its gas is shut. Five minutes, a sniff at the floor, then again';

/** Nobody stands longer and does nothing, minutes. */
const LONGEST_WAIT = 60;

/** Jumpers in the pocket: counted when it is begun, and again at its end (common practice, no source). */
const JUMPERS = 3;

/** What is kept of an exercise, to go on with it later. */
export interface KeptStand {
  readonly moves: readonly Move[];
  readonly clock: Millis;
  /** Steps that somebody was there for. */
  readonly witnessed: readonly string[];
}

/**
 * An exercise as it stood after one of its moves, to go on from there otherwise. What was seen later must not be seen beforehand:
 * stretches are numbered anew from there.
 */
export function keptUntil(moves: readonly Move[], move: number): KeptStand {
  const kept = moves.slice(0, move + 1);
  return { moves: kept, clock: kept.at(-1)?.at ?? 0, witnessed: [] };
}

/** An exercise as it is played: the machine lives, somebody does things, each is written down. Pure but for its own growth. */
export class Stand {
  #moves: Move[];
  #clock: Millis;
  #state: { readonly of: number; readonly state: CallState } | undefined;
  readonly #hand: InHand;
  readonly #witness: Witness;

  /** Begins an exercise, or goes on with one from what was kept of it. */
  constructor(
    readonly laid: Laid,
    { moves = [], clock = 0, witnessed = [] }: Partial<KeptStand> = {},
  ) {
    const { engine, exercise, appliance } = laid;
    this.#moves = moves.length > 0 ? [...moves] : [opening(exercise, engine.model, exercise.complaint)];
    this.#clock = Math.max(clock, this.#moves[this.#moves.length - 1]!.at);
    this.#hand = new InHand(appliance.model, new Random(exercise.seed * 17 + this.#moves.length));
    this.#witness = new Witness(engine.model.phases, witnessed);
  }

  get kept(): KeptStand {
    return { moves: this.#moves, clock: this.#clock, witnessed: this.#witness.kept };
  }

  get moves(): readonly Move[] {
    return this.#moves;
  }

  get clock(): Millis {
    return this.#clock;
  }

  get state(): CallState {
    if (this.#state?.of !== this.#moves.length)
      this.#state = { of: this.#moves.length, state: stateAfter(this.laid.engine.model, this.#moves) };
    return this.#state.state;
  }

  get ended(): boolean {
    return endingOf(this.#moves) !== undefined;
  }

  /** Time goes on while somebody watches. */
  runTo(clock: Millis): void {
    const from = this.#clock;
    this.#clock = Math.max(from, clock);
    this.#watch(from, this.#clock);
  }

  /** When something next comes, goes or lights, after now; nothing where nothing will. */
  nextEvent(): Millis | undefined {
    const next = nextIn(this.#now(this.#clock).lived.trace, this.#clock - this.#since);
    return next === undefined ? undefined : this.#since + next;
  }

  #doorNow({ apart = [], bypassed }: Setup): MachineNow['door'] {
    const door = this.#door;
    if (door === undefined || !apart.includes(door)) return undefined;
    return bypassed.includes(door) ? 'held' : 'open';
  }

  /** What can be seen, heard and smelled now. */
  machine(): MachineNow {
    const { setup } = this.state;
    return {
      clock: this.#clock,
      since: this.#since,
      setup,
      supply: supplyAfter(this.#moves),
      glass: glassOf(this.laid.appliance.model, this.#now(this.#clock).lived),
      others: othersNow(this.laid.engine.model, this.#moves),
      knob: knobNow(this.laid.engine.model, setup),
      open: this.open,
      door: this.#doorNow(setup),
      jumpers: this.#jumpers(setup),
      pocket: JUMPERS - this.#jumpers(setup),
      ...noticed(this.laid.engine.model, this.#now(this.#clock), this.#clock - this.#since, (step) =>
        this.#witness.saw(this.#stretch, step),
      ),
    };
  }

  /** The instrument in the hand shows what its probes meet. `real` is the time of whoever looks. */
  shows(real: Millis, speed: number): InstrumentNow & { readonly accident: boolean } {
    return this.#hand.look(real, (ago) => this.#now(Math.max(this.#since, this.#clock - ago * speed)));
  }

  /** Takes another instrument in the hand. */
  take(id: string): undefined {
    this.#hand.take(id);
  }

  turn(set: FunctionId): undefined {
    this.#hand.turn(set);
  }

  /** Puts probes somewhere; in words why not. */
  put(place: Place): string | undefined {
    if (!this.open && behindPanel(place)) return PANEL_ON;
    const why = this.#hand.put(place);
    if (why === undefined) this.#pass(MINUTES.probes);
    return why;
  }

  /** An accident is written once for each place. */
  accident(): void {
    const { place } = this.#hand;
    const where = place.at === 'points' ? `${place.red} and ${place.black}` : place.at;
    const last = this.#moves.findLast(({ body }) => body.type === 'accident' || body.type === 'setup');
    if (last?.body.type === 'accident' && last.body.where === where) return;
    this.write({ type: 'accident', where }, 0);
  }

  /** What would be asked by the reading that stands on the display now; nothing where it answers nothing. */
  asks(): Question | undefined {
    const { place, set } = this.#hand;
    const question = questionAt(this.laid.engine.model, place, set, this.#now(this.#clock));
    return typeof question === 'string' ? undefined : question;
  }

  /** Notes what stands on the display; in words why it cannot be noted. */
  note(): string | undefined {
    const { place, shown } = this.#hand;
    if (!shown || (shown.value === undefined && !shown.over))
      return 'The display is blank: wait until it shows something';
    const { lived, at } = this.#now(this.#clock);
    const body = bodyOfReading(this.laid.engine.model, place, shown, { lived, at }, this.#clock - this.#since);
    if (typeof body === 'string') return body;
    this.write(body, MINUTES.note);
    return undefined;
  }

  /** Writes down something that is done or said, which takes so long. */
  write(body: EventBody | PracticeBody, minutes: number = MINUTES.say): undefined {
    this.#pass(minutes);
    this.#moves = [...this.#moves, { at: this.#clock, body }];
  }

  /** Sets the machine otherwise: a new stretch of its life. In words why not. */
  set(change: Partial<Setup>): string | undefined {
    const { setup } = this.state;
    const next = { ...setup, ...change };
    if (change.power && !supplyAfter(this.#moves).breaker) return 'The breaker is off: put it on first';
    if (this.#jumpers(next) > this.#jumpers(setup)) {
      if (!this.open) return PANEL_ON;
      if (this.#jumpers(next) > JUMPERS) return `All ${JUMPERS} jumpers are in: take one out first`;
    }
    return this.write(setupEntry(next), MINUTES.set);
  }

  /** Throws a switch of the supply: the machine loses its power with either, and has it again with both. */
  supply(change: Partial<Supply>): undefined {
    const next = { ...supplyAfter(this.#moves), ...change };
    const { setup } = this.state;
    const power = hasPower(next);
    this.#pass(change.breaker === undefined ? MINUTES.set : MINUTES.breaker);
    if (power !== setup.power) this.write(setupEntry({ ...setup, power }), 0);
    return this.write({ type: 'supply', ...next }, 0);
  }

  /** Jumpers that are in the machine: a door switch is held in without one. */
  #jumpers({ bypassed }: Setup): number {
    return bypassed.filter((id) => id !== this.#door).length;
  }

  get #door(): string | undefined {
    return panelSwitch(this.laid.engine.model)?.id;
  }

  /** Stays and watches, so many minutes; in words why not. */
  wait(minutes: number): string | undefined {
    if (!(minutes > 0 && minutes <= LONGEST_WAIT)) return `Wait between a moment and ${LONGEST_WAIT} minutes`;
    this.runTo(this.#clock + minutes * 60_000);
    return this.write({ type: 'note', text: `Waited ${Math.round(minutes * 10) / 10} min` }, 0);
  }

  /** Whether the panel is off. */
  get open(): boolean {
    return this.#panelOff !== undefined;
  }

  /** Takes the panel off, or puts it on: a door switch goes with it, and a control that has lost its feed forgets its code. */
  panel(off: boolean): string | undefined {
    const was = this.#panelOff;
    if (off === (was !== undefined)) return off ? 'It is off already' : 'It is on already';
    if (was !== undefined) return this.write({ type: 'undone', event: was }, MINUTES.set);
    const of = this.#door;
    return this.write(
      { type: 'temporary', kind: 'panel', title: 'burner compartment', ...(of !== undefined && { of }) },
      MINUTES.set,
    );
  }

  /** Holds the door switch in while the panel is off, or lets it go; in words why not. */
  holdDoor(held: boolean): string | undefined {
    const door = this.#door;
    if (door === undefined) return 'No switch of this machine opens with its panel';
    const others = this.state.setup.bypassed.filter((id) => id !== door);
    return this.set({ bypassed: held ? [...others, door] : others });
  }

  /** Takes hold of the pilot's knob, or lets it go, which takes no time: too early, and the pilot goes out. In words why not. */
  holdKnob(held: boolean): string | undefined {
    const knob = knobOf(this.laid.engine.model);
    if (knob === undefined) return 'No knob of this machine has to be held';
    const { setup } = this.state;
    const others = setup.actions.filter((id) => id !== knob);
    if (held === others.length < setup.actions.length) return undefined;
    if (held) return this.write(setupEntry({ ...setup, actions: [...others, knob] }), MINUTES.set);
    if (!this.#dropsOut()) return this.write(setupEntry({ ...setup, actions: others }), 0);
    // A knob that has sprung back is turned to off: whatever flowed must go before another try.
    this.write(setupEntry({ ...setup, actions: others, gas: false }), 0);
    return this.write({ type: 'note', text: LET_GO }, 0);
  }

  /** Whether a pilot that was just lit goes out when its knob is let go now: nothing holds its magnet yet. */
  #dropsOut(): boolean {
    const { model } = this.laid.engine;
    if (this.#clock - this.#since >= heldFor(this.laid.exercise.seed)) return false;
    const before = this.state.evidence.episodes.slice(0, -1);
    return before.length > 0 && !pilotBurned(model, this.laid.appliance.live(before));
  }

  /** Off and on again: a new try. */
  again(): string | undefined {
    return this.set({ heatCall: false }) ?? this.set({ heatCall: true });
  }

  /** Looks at something by itself; what is seen there is written down. In words why there is nothing to say. */
  look(id: string): string | undefined {
    const { model } = this.laid.engine;
    const look = model.looks.findIndex((l) => l.id === id);
    if (look < 0) return `there is nothing called "${id}" to look at`;
    return this.#answer({ kind: 'look', look }, Math.max(MINUTES.look, model.looks[look]!.minutes));
  }

  /** Says whether a step came, as they saw it. */
  seen(phase: string, came: boolean): string | undefined {
    if (!findPhase(this.laid.engine.model, phase)) return `there is no step "${phase}"`;
    this.write({ type: 'seen', phase, answer: came ? 'yes' : 'no', ...this.#moment() }, MINUTES.say);
    return undefined;
  }

  /** Writes the whole try down as they saw it, at one moment: what came, and what did not. */
  wholeTry(): undefined {
    const { beads } = this.machine();
    this.#pass(MINUTES.try);
    const moment = this.#moment();
    for (const { id, is } of beads)
      this.write({ type: 'seen', phase: id, answer: is === 'not-yet' ? 'no' : 'yes', ...moment }, 0);
  }

  /** Says how the try ended, as they would say it now. */
  outcome(outcome: Outcome): undefined {
    this.write({ type: 'outcome', outcome, ...this.#moment() }, MINUTES.say);
  }

  /** Writes down what the light shows now. */
  code(): string | undefined {
    return this.#answer({ kind: 'code' }, MINUTES.say);
  }

  /** A moment of a run that still goes on: what is answered now is true of so much of it. */
  #moment(): { readonly after?: number } {
    const { trace } = this.#now(this.#clock).lived;
    const elapsed = this.#clock - this.#since;
    return elapsed < trace.end ? { after: Math.round(inSeconds(elapsed)) } : {};
  }

  #answer(question: Question, minutes: number): string | undefined {
    const { model } = this.laid.appliance;
    this.#pass(minutes);
    const { lived } = this.#now(this.#clock);
    const observation = observationOf(model, question, kindOf(question).predict(model, lived, question));
    const body = observation && entryOf(this.laid.engine.model, observation);
    if (!body) return 'Nothing can be told of it as things stand';
    this.write(body, 0);
    return undefined;
  }

  /** Time that a hand was busy with something else: what came meanwhile was missed. */
  #pass(minutes: number): void {
    this.#clock += Math.round(minutes * 60_000);
    // Whoever looks up sees what is there then.
    this.#watch(this.#clock, this.#clock);
  }

  #watch(from: Millis, to: Millis): void {
    this.#witness.watch(this.#stretch, this.#now(to).lived.trace, from - this.#since, to - this.#since);
  }

  get #stretch(): number {
    return this.state.evidence.episodes.length;
  }

  /** Since when the machine is as it is: it was set otherwise, taken apart, or mended. */
  get #since(): Millis {
    return this.#moves.findLast(({ body }) => this.#changes(body))?.at ?? 0;
  }

  #changes(body: Move['body']): boolean {
    if (body.type === 'undone') return this.#changes(this.#moves[moveOf(body.event)]!.body);
    return body.type === 'setup' || body.type === 'repaired' || (body.type === 'temporary' && body.of !== undefined);
  }

  /** The entry with which the panel came off; nothing while it is on. */
  get #panelOff(): string | undefined {
    return [...this.state.followed.c.temporary.values()].find(({ kind }) => kind === 'panel')?.id;
  }

  #now(clock: Millis): Now {
    const lived = this.laid.appliance.live(this.state.evidence.episodes);
    return { lived, at: momentIn(lived.trace, Math.max(0, clock - this.#since)) };
  }
}
