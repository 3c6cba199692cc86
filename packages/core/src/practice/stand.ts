import {
  digitsOf,
  type Display,
  type FunctionId,
  type InstrumentCard,
  notThere,
  type Place,
  SimulatedInstrument,
  unitOf,
} from '../instruments';
import { findPart, findPhase, type Model } from '../profile';
import { codeShown, type CodeShown, kindOf, observationOf, type Question } from '../question';
import { minutesStayed, openLines, stayMinutes } from '../rules';
import { momentIn, type Now, type Outcome, Random, type Setup } from '../simulation';
import { inSeconds, type Millis } from '../units';
import { type CallState, type EventBody, setupEntry } from '../visit';
import { endingOf, type Move, opening, type PracticeBody, stateAfter } from './move';
import type { Laid } from './draw-exercise';
import { entryOf } from './entry-of';
import { lineDone } from './line-done';
import { bodyOfReading, questionAt } from './noted-reading';

/** What a hand needs for things that are done at the machine, minutes. Common practice, no source. */
const MINUTES = {
  set: 0.5,
  probes: 0.3,
  note: 0.1,
  look: 0.5,
  say: 0.2,
  try: 0.5,
  fit: 18,
  mend: 9,
  line: 0.7,
} as const;

/** How the step of a run stands now. */
export interface BeadNow {
  readonly id: string;
  readonly title: string;
  readonly sense: Model['phases'][number]['sense'];
  /** It can be seen or heard now; it came before; it has not come. */
  readonly is: 'now' | 'came' | 'not-yet';
  /** When it came, since the machine was set like this. */
  readonly at: Millis | undefined;
}

/** What goes on in front of somebody, as far as eyes, ears and noses tell. */
export interface MachineNow {
  readonly clock: Millis;
  /** Since when it runs as it is set. */
  readonly since: Millis;
  readonly beads: readonly BeadNow[];
  readonly light: CodeShown | undefined;
  readonly setup: Setup;
  /** Nothing new will come: it stands, or goes round. */
  readonly rests: boolean;
}

const METER: InstrumentCard = { id: 'm', kind: 'multimeter', title: 'Meter', serial: 'ZM-0001' };
const CARDS: readonly InstrumentCard[] = [
  METER,
  { id: 'c', kind: 'clamp', title: 'Clamp', serial: 'ZC-0001' },
  { id: 'g', kind: 'manometer', title: 'Manometer', serial: 'ZP-0001' },
  { id: 't', kind: 'thermometer', title: 'Thermometer', serial: 'ZT-0001' },
  { id: 'a', kind: 'analyser', title: 'Analyser', serial: 'ZA-0001' },
];

/** What stands on the instrument in the hand. */
export interface InstrumentNow {
  readonly id: string;
  readonly title: string;
  readonly kind: InstrumentCard['kind'];
  readonly set: FunctionId;
  readonly place: Place;
  readonly digits: string;
  readonly unit: string;
}

/** An exercise as it is played: the machine lives, somebody does things, each is written down. Pure but for its own growth. */
export class Stand {
  #moves: Move[];
  #clock: Millis;
  #state: { readonly of: number; readonly state: CallState } | undefined;
  readonly #instruments = new Map<string, SimulatedInstrument>();
  #hand = METER.id;
  #shown: Omit<Display, 'at'> | undefined;
  /** Which cues somebody was there for, by stretch and step. */
  readonly #witnessed = new Set<string>();
  readonly #random: Random;

  /** Begins an exercise, or goes on with one from what was done in it. */
  constructor(
    readonly laid: Laid,
    moves: readonly Move[] = [],
    clock?: Millis,
  ) {
    const { engine, exercise, appliance } = laid;
    this.#moves = moves.length > 0 ? [...moves] : [opening(exercise, engine.model, exercise.complaint)];
    this.#clock = Math.max(clock ?? 0, this.#moves[this.#moves.length - 1]!.at);
    this.#random = new Random(exercise.seed * 17 + this.#moves.length);
    for (const card of CARDS)
      this.#instruments.set(card.id, new SimulatedInstrument(card, appliance.model, this.#random, FLUE));
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
    this.#witness(from, this.#clock);
  }

  /** When something next comes, goes or lights, after now; nothing where nothing will. */
  nextEvent(): Millis | undefined {
    const { trace } = this.#now(this.#clock).lived;
    const elapsed = this.#clock - this.#since;
    const moments = [
      ...trace.cues.flatMap((list) => list.flatMap(({ from, to }) => [from, to])),
      ...trace.codes.map(({ at }) => at),
      trace.end,
    ];
    const rounds = trace.cycle ? Math.max(0, Math.floor((elapsed - trace.cycle.from) / trace.cycle.length)) : 0;
    const shift = trace.cycle ? rounds * trace.cycle.length : 0;
    const later = moments
      .flatMap((m) => (trace.cycle ? [m + shift, m + shift + trace.cycle.length] : [m]))
      .filter((m) => m > elapsed + 1);
    return later.length === 0 ? undefined : this.#since + Math.min(...later) + 1;
  }

  /** What can be seen, heard and smelled now. */
  machine(): MachineNow {
    const { model } = this.laid.engine;
    const { lived, at } = this.#now(this.#clock);
    const { trace } = lived;
    const elapsed = this.#clock - this.#since;
    const light = trace.codes.findLast((c) => c.at <= at)?.code ?? 'none';
    return {
      clock: this.#clock,
      since: this.#since,
      beads: model.phases.map(({ index, id, title, sense }) => {
        const cues = trace.cues[index]!;
        const now = cues.some((c) => c.from <= at && at <= c.to);
        const first = cues.find((c) => c.from <= elapsed);
        const seen = this.#witnessed.has(`${this.#stretch} ${id}`);
        return {
          id,
          title,
          sense,
          is: now ? 'now' : seen ? 'came' : 'not-yet',
          at: seen || now ? first?.from : undefined,
        };
      }),
      light: model.codes.length === 0 ? undefined : codeShown(model, light),
      setup: this.state.setup,
      rests: elapsed >= trace.end && !trace.cycle,
    };
  }

  /** The instrument in the hand shows what its probes meet. `real` is the time of whoever looks. */
  shows(real: Millis, speed: number): InstrumentNow & { readonly accident: boolean } {
    const instrument = this.#instruments.get(this.#hand)!;
    const { accident, ...shown } = instrument.show(real, (ago) =>
      this.#now(Math.max(this.#since, this.#clock - ago * speed)),
    );
    this.#shown = shown;
    const { card, set, place } = instrument;
    return {
      id: card.id,
      title: card.title,
      kind: card.kind,
      set,
      place,
      digits: digitsOf(shown),
      unit: unitOf(shown),
      accident,
    };
  }

  /** Takes another instrument in the hand. */
  take(id: string): undefined {
    if (this.#instruments.has(id)) this.#hand = id;
  }

  turn(set: FunctionId): undefined {
    this.#instruments.get(this.#hand)!.turn(set);
  }

  /** Puts probes somewhere; in words why not. */
  put(place: Place): string | undefined {
    const why = notThere(this.laid.engine.model, place);
    if (why !== undefined) return why;
    this.#instruments.get(this.#hand)!.put(place);
    this.#pass(MINUTES.probes);
    return undefined;
  }

  /** An accident is written once for each place. */
  accident(): void {
    const { place } = this.#instruments.get(this.#hand)!;
    const where = place.at === 'points' ? `${place.red} and ${place.black}` : place.at;
    const last = this.#moves.findLast(({ body }) => body.type === 'accident' || body.type === 'setup');
    if (last?.body.type === 'accident' && last.body.where === where) return;
    this.write({ type: 'accident', where }, 0);
  }

  /** What would be asked by the reading that stands on the display now; nothing where it answers nothing. */
  asks(): Question | undefined {
    const { place, set } = this.#instruments.get(this.#hand)!;
    const question = questionAt(this.laid.engine.model, place, set, this.#now(this.#clock));
    return typeof question === 'string' ? undefined : question;
  }

  /** Notes what stands on the display; in words why it cannot be noted. */
  note(): string | undefined {
    const shown = this.#shown;
    const { place } = this.#instruments.get(this.#hand)!;
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

  /** Sets the machine otherwise: a new stretch of its life. */
  set(change: Partial<Setup>): undefined {
    const { model } = this.laid.engine;
    const next = { ...this.state.setup, ...change };
    const before = new Set(this.state.setup.bypassed);
    const ledger = next.bypassed.flatMap((id) => {
      const part = before.has(id) ? undefined : findPart(model, id);
      return part ? [{ id, title: part.title, kind: part.safety ?? 'unnamed', limit: 600, why: 'a test' }] : [];
    });
    this.write({ ...setupEntry(next), ...(ledger.length > 0 && { ledger }) }, MINUTES.set);
  }

  /** Off and on again: a new try. */
  again(): undefined {
    this.set({ heatCall: false });
    this.set({ heatCall: true });
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

  /** Fits a part or puts it right. A part that is measured first is another one when the first was bad. */
  repair(id: string, measured: boolean): string | undefined {
    const part = findPart(this.laid.engine.model, id);
    if (!part) return `there is no part "${id}"`;
    const replaced = part.modes.some((m) => m.repair === 'replace');
    this.write(
      {
        type: 'repaired',
        part: id,
        action: `${replaced ? 'New' : 'Put right'}: ${part.title}`,
        ...(measured && { measured }),
      },
      (replaced ? MINUTES.fit : MINUTES.mend) + (measured ? 2 : 0),
    );
    return undefined;
  }

  /** Does a line of the proof; in words why it cannot be done. */
  prove(id: string): string | undefined {
    const line = openLines(this.state.followed).find((l) => l.id === id);
    if (!line) return 'That line is done, or is none of this repair';
    if (!this.laid.appliance.runs(this.state.evidence.episodes))
      return 'It does not run as it should: nothing is proved by that';
    const { runs, body } = lineDone(line);
    const { c } = this.state.followed;
    const wanted = line.by === 'stay' ? stayMinutes(c) : 0;
    if (wanted === undefined) return 'Say first how it showed: all the time, or off and on';
    // As long as what was mended wants to be watched.
    const stays = Math.max(0, wanted - minutesStayed(c));
    this.write(body, runs + stays + MINUTES.line);
    return undefined;
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
    this.#witness(this.#clock, this.#clock);
  }

  #witness(from: Millis, to: Millis): void {
    const { lived } = this.#now(to);
    const { trace } = lived;
    const [a, b] = [from - this.#since, to - this.#since];
    for (const { index, id } of this.laid.engine.model.phases)
      if (trace.cues[index]!.some((c) => comesBetween(c, a, b, trace))) this.#witnessed.add(`${this.#stretch} ${id}`);
  }

  get #stretch(): number {
    return this.state.evidence.episodes.length;
  }

  get #since(): Millis {
    const at = this.#moves.findLast(({ body }) => body.type === 'setup' || body.type === 'repaired')?.at;
    return at ?? 0;
  }

  #now(clock: Millis): Now {
    const lived = this.laid.appliance.live(this.state.evidence.episodes);
    return { lived, at: momentIn(lived.trace, Math.max(0, clock - this.#since)) };
  }
}

/** What burns well: an analyser in the flue shows about so much. */
const FLUE = { oxygen: 0.055, carbonMonoxide: 24e-6 };

/** Whether a cue could be observed between two moments since the stretch began; a round repeats. */
function comesBetween(
  cue: { readonly from: Millis; readonly to: Millis },
  a: Millis,
  b: Millis,
  { cycle, end }: Now['lived']['trace'],
): boolean {
  if (cue.from <= b && cue.to >= a) return true;
  if (!cycle || b < end || cue.to < cycle.from) return false;
  const first = Math.ceil((a - cue.to) / cycle.length);
  return cue.from + Math.max(1, first) * cycle.length <= b;
}
