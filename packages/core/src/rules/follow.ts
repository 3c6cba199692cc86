import { overdue, offBy } from './bypasses';
import { Circumstances, type Pressed } from './circumstances';
import { closingProblems, type EndingId, endingWith, openDots } from './endings';
import { factProblem, type FactValue } from './facts';
import { appliesTo } from './family';
import type { Happening, What } from './happening';
import type { Claim, Followed, Mark, StandingStop, Terms } from './followed';
import { needOf, workOf } from './needs';
import { type DeclaredStop, ownStop } from './own-stops';
import { isDotted, lineProblem, proofLineWith, STAY } from './proof-lists';
import { resetVerdict } from './resets';
import { can } from './rights';
import type { Authority } from './role';
import { isNeverBypassed, safetyOf } from './safeties';
import { minutesFired, minutesStayed, stayMinutes } from './stay';
import { endedBy, missingEvidence } from './stop-evidence';
import { keepsGasOff } from './temporary';
import { type Ender, type Grade, type Limits, LIMITS, ordersFor, type Stop, STOPS, stopWith } from './stops';

/**
 * Follows a call from its first entry to now. Entries that say what is count at once, whoever made them; those that relax or
 * claim count when their person may, or when somebody who may has countersigned.
 */
export function follow(happenings: readonly Happening[], terms: Terms): Followed {
  // What was taken back counts no more, unless it brought a stop that whoever took it back may not end.
  const back = retractionsOf(happenings);
  const kept = new Set<string>();
  const waiting: { retraction: Happening; may: (by: Authority) => boolean }[] = [];
  let followed = new Following(happenings, kept, terms).run();
  for (const [event, retraction] of back) {
    const stops = followed.raised.get(event) ?? [];
    const mayEnd = (by: Authority): boolean => stops.every((ender) => can(by, 'end-stop', { endedBy: ender }) === '+');
    if (stops.length === 0 || mayEnd(retraction.by)) continue;
    const may = (by: Authority): boolean => mayEnd(by) && countersigns(by, retraction);
    if (isCountersigned(happenings, retraction, may)) continue;
    kept.add(event);
    waiting.push({ retraction, may });
  }
  if (kept.size === 0) return followed;
  followed = new Following(happenings, kept, terms).run();
  for (const { retraction, may } of waiting) followed.waits(retraction, may);
  return followed;
}

/** What was taken back, by its id, with the entry that does it. */
function retractionsOf(happenings: readonly Happening[]): Map<string, Happening> {
  const back = new Map<string, Happening>();
  for (const h of happenings) if (h.what.type === 'retracted' && !h.struck) back.set(h.what.event, h);
  return back;
}

const isCountersigned = (all: readonly Happening[], claim: Happening, may: (by: Authority) => boolean): boolean =>
  all.some(
    ({ what, by, person, struck }) =>
      what.type === 'countersigned' &&
      !struck &&
      what.event === claim.id &&
      what.says === 'yes' &&
      person !== claim.person &&
      may(by),
  );

interface Open {
  stop: Stop;
  grade: Grade;
  since: number;
  person: string;
  raisedBy: string[];
  answers: Map<string, 'done' | 'cannot'>;
  about: string | undefined;
  /** It takes a lead’s name even when nothing stands any more. */
  signs: boolean;
}

const WORSE: Readonly<Record<Grade, number>> = { out: 3, off: 2, hold: 1 };

class Following implements Followed {
  readonly c: Circumstances;
  readonly marks = new Map<string, Mark[]>();
  readonly proof = new Map<string, { event: string; answer: 'done' | 'does-not-apply'; value: number | undefined }>();
  claims: Claim[] = [];
  breakRecorded = false;
  ending: string | undefined;
  dangers = false;
  readonly unable: { stop: string; order: string }[] = [];
  /** By entry: who may end each of the stops that it brought, or would have brought had it not been taken back. */
  readonly raised = new Map<string, Ender[]>();
  readonly raisedStops = new Map<string, Stop>();
  readonly #open = new Map<string, Open>();
  readonly #limits: Limits;
  readonly before: readonly Pressed[];

  constructor(
    private readonly happenings: readonly Happening[],
    /** Entries that were taken back and count all the same. */
    private readonly kept: ReadonlySet<string>,
    private readonly terms: Terms,
  ) {
    this.c = new Circumstances(terms.family, Math.min(...happenings.map((h) => h.at), terms.now));
    this.#limits = terms.limits ?? LIMITS;
    this.before = terms.before ?? [];
  }

  run(): this {
    const probing = this.kept.size === 0;
    for (const happening of this.happenings) {
      this.c.advance(happening.at);
      this.#clock();
      if (happening.struck && !this.kept.has(happening.id)) {
        if (probing) this.#probe(happening);
        continue;
      }
      this.#take(happening);
    }
    this.c.advance(this.terms.now);
    this.#clock();
    return this;
  }

  /** What an entry that was taken back would have brought: asked without letting it count. */
  #probe(happening: Happening): void {
    const { what } = happening;
    if (what.type === 'raises') this.#remember(happening.id, this.#enderOf(ownStop(what.stop)));
    if (what.type !== 'fact' || factProblem(what.fact, what.value) !== undefined) return;
    const before = this.c.said.get(what.fact);
    this.c.say(what.fact, what.value);
    for (const stop of STOPS)
      if (
        appliesTo(stop.families, this.c.family) &&
        stop.looksAt.includes(what.fact) &&
        stop.when(this.c, this.#limits)
      )
        this.#remember(happening.id, this.#enderOf(stop));
    if (before) this.c.said.set(what.fact, before);
    else this.c.said.delete(what.fact);
  }

  get stops(): readonly StandingStop[] {
    const { c } = this;
    return [...this.#open.values()]
      .map(({ stop, grade, since, person, raisedBy, answers, about }) => ({
        stop,
        grade,
        since,
        person,
        raisedBy,
        orders: ordersFor(stop, c.family).map((order) => ({ order, answer: answers.get(order.id) })),
        endedBy: this.#enderOf(stop),
        about,
      }))
      .sort((a, b) => WORSE[b.grade] - WORSE[a.grade] || order(a.stop) - order(b.stop));
  }

  get uncaused(): readonly Pressed[] {
    return this.c.resets.filter(({ safety, at }) => !((this.c.causes.get(safety)?.at ?? -Infinity) >= at));
  }

  /** What time alone brings: a bypass past its limit. */
  #clock(): void {
    const { c } = this;
    const over = c.bypasses.flatMap((b) => {
      const why = overdue(b, c);
      return why === undefined ? [] : [{ b, why }];
    });
    const open = this.#open.get('bypass-over');
    if (over.length === 0) {
      if (open && !open.signs) this.#open.delete('bypass-over');
      return;
    }
    const [first] = over;
    const since = Math.min(...over.map(({ b, why }) => (why === 'over' || why === 'twice' ? offBy(b, c) : b.since)));
    const stop = stopWith('bypass-over')!;
    const standing = open ?? this.#raise(stop, { id: first!.b.event, person: first!.b.by, at: since }, first!.b.title);
    standing.grade = graver(standing.grade, over.every(({ why }) => why === 'over') ? 'hold' : 'off');
    standing.signs ||= over.some(({ why }) => why === 'forbidden' || why === 'twice');
  }

  #take(happening: Happening): void {
    const { what, at, entered } = happening;
    if (entered - at > 5 * 60_000) this.#mark(happening, { mark: 'late' });
    switch (what.type) {
      case 'setup':
        return this.#set(happening, what);
      case 'fact':
        return this.#say(happening, what.fact, what.value);
      case 'raises':
        return this.#raiseOwn(happening, what.stop);
      case 'reset':
        return this.#reset(happening, what);
      case 'cause':
        this.c.causes.set(what.safety, { at, mended: what.mended });
        return;
      case 'need':
        return this.#need(what, happening.person);
      case 'temporary':
        this.c.temporary.set(happening.id, {
          id: happening.id,
          title: what.title,
          kind: what.kind,
          by: happening.person,
          since: at,
        });
        this.c.worked = true;
        if (what.kind === 'joint') this.c.touched.add('gas-joint');
        // A joint is opened with the cock shut; a line without its appliance is capped before the gas comes back.
        if ((what.kind === 'joint' || what.kind === 'part-out') && this.c.mayBurn && this.c.gas)
          this.#mark(happening, { mark: 'without-need', need: 'gas-off' });
        if (what.kind === 'adjustment') {
          this.c.touched.add('gas-control');
          const gauged = this.c.need('gauge') !== undefined;
          if (!gauged) this.#mark(happening, { mark: 'without-need', need: 'gauge' });
          if (can(happening.by, 'gas-work') === 'm') this.#mark(happening, { mark: 'without-right' });
        }
        return;
      case 'undone':
        this.c.temporary.delete(what.event);
        return;
      case 'stop-order':
        return this.#order(what);
      case 'stop-ended':
        return this.#end(happening, what.stop, what.evidence);
      case 'repaired':
        this.c.worked = true;
        // A guess that was put back is no repair; what it touched has to be proved all the same.
        if (what.old) this.c.repaired.delete(what.part);
        else this.c.repaired.set(what.part, what.title);
        this.c.repairedAt = { at, fired: this.c.fired };
        for (const list of what.touches) this.c.touched.add(list);
        this.proof.clear();
        return;
      case 'proof-line':
        return this.#prove(happening, what);
      case 'break':
        return this.#claim(happening, 'break', () => (this.breakRecorded = true));
      case 'closed':
        return this.#closeCall(happening, what);
      case 'reopened':
        this.ending = undefined;
        return;
      case 'work': {
        const work = workOf(what.work);
        // What reads live voltage was shown to read it.
        if (what.dead === false) this.c.note('meter', happening.person);
        for (const need of work?.proves ?? [])
          if (!needOf(need).holds(this.c, what.of)) this.#mark(happening, { mark: 'without-need', need });
        if (what.dead === true && !this.#meterProvedAfter(happening))
          this.#mark(happening, { mark: 'without-need', need: METER_AFTER });
        if (work?.grant === 'line' && can(happening.by, 'line-test') === 'm')
          this.#mark(happening, { mark: 'without-right' });
        return;
      }
      case 'countersigned':
      case 'retracted':
      case 'nothing':
        return;
    }
  }

  #set(happening: Happening, what: Extract<What, { type: 'setup' }>): void {
    const { c } = this;
    const before = c.bypasses;
    const changed = c.set(happening, what);
    for (const b of c.bypasses.filter((one) => !before.includes(one))) {
      const forbidden = isNeverBypassed(safetyOf(b.kind));
      const right = can(happening.by, forbidden ? 'forbidden-bypass' : 'bypass');
      if (forbidden) this.#mark(happening, { mark: 'forbidden' });
      else if (right === 'm') this.#mark(happening, { mark: 'without-right' });
      // What has to be seen first, the water in the glass, was not.
      for (const need of safetyOf(b.kind).needs ?? [])
        if (!needOf(need).holds(c)) this.#mark(happening, { mark: 'without-need', need });
    }
    if (changed.includes('gas') && c.gas && keepsGasOff(c.temporary.values()))
      this.#mark(happening, { mark: 'forbidden' });
    if (changed.length > 0)
      c.worked ||= changed.some((x) => x === 'bypass' || x === 'apart') || !what.gas || !what.power;
    this.#facts(happening, changed);
    this.#clock();
  }

  #say(happening: Happening, fact: string, value: FactValue): void {
    if (factProblem(fact, value) !== undefined) return;
    const { c } = this;
    c.say(fact, value);
    if (fact === 'glass') c.needs.delete('water');
    if (fact === 'try') {
      if (value === 'no-flame') {
        c.tries.push(happening.at);
        c.triesInCall++;
      } else {
        c.tries = [];
        c.triesInCall = 0;
      }
    }
    this.#facts(happening, [fact]);
  }

  /** Looks at every stop that hangs on what has changed. */
  #facts(happening: Happening, changed: readonly string[]): void {
    const { c } = this;
    for (const stop of STOPS) {
      if (!appliesTo(stop.families, c.family) || !stop.looksAt.some((fact) => changed.includes(fact))) continue;
      if (!stop.when(c, this.#limits)) continue;
      const standing = this.#open.get(stop.id);
      if (standing) {
        if (!changed.every((x) => x === 'gas' || x === 'power' || x === 'bypass')) standing.raisedBy.push(happening.id);
        standing.grade = graver(standing.grade, gradeOf(stop, c));
      } else this.#raise(stop, happening, undefined);
      this.#remember(happening.id, this.#enderOf(stop));
    }
  }

  #raise(stop: Stop, { id, person, at }: { id: string; person: string; at: number }, about: string | undefined): Open {
    const open: Open = {
      stop,
      grade: gradeOf(stop, this.c),
      since: at,
      person,
      raisedBy: [id],
      answers: new Map(),
      about,
      signs: false,
    };
    this.dangers = true;
    this.#open.set(stop.id, open);
    this.raisedStops.set(stop.id, stop);
    return open;
  }

  #raiseOwn(happening: Happening, declared: DeclaredStop): void {
    const stop = ownStop(declared);
    const standing = this.#open.get(stop.id);
    if (standing) standing.raisedBy.push(happening.id);
    else this.#raise(stop, happening, undefined);
    this.#remember(happening.id, this.#enderOf(stop));
  }

  #remember(event: string, ender: Ender): void {
    this.raised.set(event, [...(this.raised.get(event) ?? []), ender]);
  }

  #reset(happening: Happening, what: Extract<What, { type: 'reset' }>): void {
    const { c } = this;
    const earlier = [...this.before, ...c.resets];
    const verdict = resetVerdict(what.safety, what.kind, c, earlier);
    const right = can(happening.by, verdict === 'again' ? 'forbidden-reset' : 'reset');
    if (verdict === 'again') this.#mark(happening, { mark: 'forbidden' });
    else if (right === 'm') this.#mark(happening, { mark: 'without-right' });
    c.resets.push({ safety: what.safety, kind: what.kind, title: what.title, at: happening.at, event: happening.id });
    c.worked = true;
    c.touched.add(what.kind);
    this.#facts(happening, ['reset']);
    if (verdict === 'again') {
      const standing = this.#open.get('reset-again');
      if (standing) standing.raisedBy.push(happening.id);
      else this.#raise(stopWith('reset-again')!, happening, what.title);
    }
  }

  #need(what: Extract<What, { type: 'need' }>, person: string): void {
    const key = what.of === undefined ? what.need : `${what.need} ${what.of}`;
    if (what.answer === 'over') this.c.needs.delete(key);
    else this.c.note(key, person, what.answer === 'met' ? undefined : what.answer);
  }

  #order({ stop, order: id, answer }: Extract<What, { type: 'stop-order' }>): void {
    const open = this.#open.get(stop);
    if (!open) return;
    open.answers.set(id, answer);
    const asked = open.stop.orders.find((o) => o.id === id);
    if (answer === 'cannot' && asked?.sets) this.unable.push({ stop, order: id });
  }

  #end(happening: Happening, id: string, evidence: Readonly<Record<string, FactValue>>): void {
    const open = this.#open.get(id);
    if (!open || missingEvidence(open.stop, open.since, evidence, this.c).length > 0) return;
    const ender = endedBy(open.stop, this.c, evidence);
    const may = (by: Authority): boolean =>
      can(by, 'end-stop', { endedBy: ender }) === '+' && countersigns(by, happening);
    if (can(happening.by, 'end-stop', { endedBy: ender }) === '+') this.#close(open);
    else if (isCountersigned(this.happenings, happening, may)) this.#close(open);
    else this.waits(happening, may);
  }

  /** A stop is over: what brought it counts no more, so that only something newer can bring it again. */
  #close({ stop, since }: Open): void {
    this.#open.delete(stop.id);
    for (const fact of stop.looksAt) this.c.said.delete(fact);
    if (stop.id === 'tries') {
      this.c.tries = [];
      this.c.triesInCall = 0;
    }
    if (stop.id === 'co-out' && !this.#open.has('co-off'))
      this.#raise(stopWith('co-off')!, { id: '', person: '', at: since }, undefined);
  }

  /** A call ends when everything its ending asks for was so by what had come in by then; older logs say no ending. */
  #closeCall(happening: Happening, { ending, given }: Extract<What, { type: 'closed' }>): void {
    const asked = ending === undefined ? undefined : endingWith(ending);
    if (ending === undefined || !asked) {
      this.ending = ending ?? 'closed';
      return;
    }
    const known = follow(
      // Earlier closings say nothing about what an ending asks for, and each would be followed for itself again.
      this.happenings.filter((h) => h.what.type !== 'closed' && cameBefore(h, happening, this.happenings)),
      { ...this.terms, now: happening.at },
    );
    if (closingProblems(asked, given, known).length > 0) {
      this.#mark(happening, { mark: 'too-early' });
      return;
    }
    const dot = ending === 'not-proved' && openDots(known).length > 0;
    this.#claim(happening, ENDING_ACTION[asked.id], () => void (this.ending = ending), { dot });
  }

  #meterProvedAfter(happening: Happening): boolean {
    return this.happenings
      .slice(this.happenings.indexOf(happening) + 1)
      .some(
        ({ what, struck, at }) =>
          what.type === 'need' &&
          what.need === 'meter' &&
          what.answer === 'met' &&
          !struck &&
          at - happening.at <= 5 * 60_000,
      );
  }

  #prove(happening: Happening, said: Extract<What, { type: 'proof-line' }>): void {
    const { line, answer, value, fuel } = said;
    const known = proofLineWith(line);
    if (!known) return;
    if (answer === 'done' && lineProblem(known, said, fuel) !== undefined)
      return this.#mark(happening, { mark: 'out-of-limits' });
    const dot = isDotted(line);
    if (answer === 'done' && this.c.repairedAt !== undefined) {
      // One cannot have stayed longer than since the repair; minutes of a run may be noted late, and are marked.
      if (line === STAY && minutesStayed(this.c) < (stayMinutes(this.c) ?? Infinity))
        return this.#mark(happening, { mark: 'too-early' });
      if (known.number?.runs && value !== undefined && value > Math.ceil(minutesFired(this.c)))
        this.#mark(happening, { mark: 'beyond-clock' });
    }
    const action = answer === 'done' ? 'proof-line' : 'does-not-apply';
    const done = (): void => void this.proof.set(line, { event: happening.id, answer, value });
    const right = can(happening.by, action, { dot });
    if (right === '-') return;
    this.#claim(happening, action, done, { dot });
  }

  #claim(
    happening: Happening,
    action: Parameters<typeof can>[1],
    done: () => void,
    state: { dot?: boolean } = {},
  ): void {
    const may = (by: Authority): boolean => can(by, action, state) === '+' && countersigns(by, happening);
    if (can(happening.by, action, state) === '+' || isCountersigned(this.happenings, happening, may)) done();
    else this.waits(happening, may);
  }

  /** A claim that whoever made it may not make alone. */
  waits({ id, person, by, at, what }: Happening, needs: (by: Authority) => boolean): void {
    const sentBack = this.happenings.some(
      (h) =>
        h.what.type === 'countersigned' &&
        h.what.event === id &&
        h.what.says === 'no' &&
        !h.struck &&
        h.person !== person,
    );
    if (!sentBack) this.claims.push({ event: id, person, by, since: at, what, needs });
  }

  #mark({ id }: Happening, mark: Mark): void {
    this.marks.set(id, [...(this.marks.get(id) ?? []), mark]);
  }

  #enderOf(stop: Stop): Ender {
    const signs = this.#open.get(stop.id)?.signs === true;
    if (stop.id === 'bypass-over') return signs ? { role: 'lead' } : { role: 'anyone' };
    return endedBy(stop, this.c, {});
  }
}

/** The meter has to be proved again within five minutes after it showed nothing. */
export const METER_AFTER = 'meter-after';

/** Whether an entry had come in when another was made: by the server's numbers, else by their order. */
function cameBefore(h: Happening, than: Happening, all: readonly Happening[]): boolean {
  if (h === than) return false;
  if (than.number !== undefined) return h.number !== undefined && h.number < than.number;
  return all.indexOf(h) < all.indexOf(than);
}

const ENDING_ACTION: Readonly<Record<EndingId, Parameters<typeof can>[1]>> = {
  proved: 'proved',
  'not-proved': 'not-proved',
  waiting: 'waiting',
  'left-off': 'left-off',
  'nothing-found': 'nothing-found',
  mistake: 'mistake',
  referred: 'referred',
};

const countersigns = (by: Authority, { by: of }: Happening): boolean => can(by, 'countersign', { of }) === '+';
/** Stops of the profile stand after the general ones. */
const order = (stop: Stop): number => (STOPS.includes(stop) ? STOPS.indexOf(stop) : STOPS.length);
const gradeOf = ({ grade }: Stop, c: Circumstances): Grade => (typeof grade === 'function' ? grade(c) : grade);
const graver = (a: Grade, b: Grade): Grade => (WORSE[a] >= WORSE[b] ? a : b);
