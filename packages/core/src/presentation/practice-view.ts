import { findPart, type Model } from '../profile';
import { type AnswerBody, kindOfBody, readAnswer } from '../question';
import {
  criticalActs,
  type InstrumentNow,
  isPractice,
  type Laid,
  type Lesson,
  type MachineNow,
  type Move,
  moveOf,
  type PracticeBody,
  type Stand,
  TESTS,
} from '../practice';
import { asksOf, ENDING_LIST, type EndingId, offer, openLines, requirementsOf, TRAINED } from '../rules';
import type { Setup } from '../simulation';
import { workOfQuestion } from '../test-choice';
import type { Millis, UnitSystem } from '../units';
import { entryTexts } from './log-view';
import { questionTitle } from './question-words';
import { needTitle } from './rule-words';
import { codeWords } from './say';
import { repairWords } from './test-view';
import { testTitle } from './test-words';

/** A move of an exercise, in words. */
export interface MoveLine {
  readonly move: number;
  readonly at: Millis;
  readonly words: string;
}

/** What has to be done before a reading counts. */
export interface NeedLine {
  readonly need: string;
  readonly of: string | undefined;
  readonly title: string;
  readonly sentence: string;
  /** It is met by a fact, a wait or a setting, and not by saying so. */
  readonly by: 'said' | 'fact' | 'wait' | 'set';
  readonly fact?: { readonly id: string; readonly value: string | number };
  readonly minutes?: number;
  readonly set?: Partial<Setup>;
}

/** A line of the proof that is open: what is to be done, and what has to come out. */
interface ProofLineNow {
  readonly id: string;
  readonly words: string;
  readonly limit: string;
}

/** What a page shows of an exercise at a moment: plain data. */
export interface StandView {
  readonly machine: MachineNow;
  readonly light: string;
  /** What is noticed now, by the sense that notices it. */
  readonly senses: Readonly<Record<'look' | 'listen' | 'smell' | 'feel', readonly string[]>>;
  readonly instrument: InstrumentNow;
  readonly accident: boolean;
  readonly needs: readonly NeedLine[];
  readonly refused: string | undefined;
  readonly moves: readonly MoveLine[];
  readonly stops: readonly string[];
  readonly critical: readonly string[];
  readonly repaired: boolean;
  readonly recorded: boolean;
  readonly ended: boolean;
  readonly nextEvent: Millis | undefined;
}

/** Ways to end an exercise now, with what each lacks. */
export interface EndingsNow {
  readonly endings: readonly {
    readonly id: EndingId;
    readonly title: string;
    readonly lacks: readonly string[];
    readonly asks: readonly { readonly id: string; readonly ask: string }[];
  }[];
  readonly lines: readonly ProofLineNow[];
  readonly safeties: readonly { readonly id: string; readonly title: string }[];
}

export function standView(stand: Stand, real: Millis, speed: number, units: UnitSystem): StandView {
  const machine = stand.machine();
  const { accident, ...instrument } = stand.shows(real, speed);
  if (accident) stand.accident();
  const { state } = stand;
  const noticed = (sense: string): string[] =>
    machine.beads.filter((b) => b.is === 'now' && b.sense === sense).map((b) => b.title);
  const first = firstOf(stand);
  return {
    machine,
    light: machine.light === undefined ? '' : codeWords(machine.light),
    senses: { look: noticed('look'), listen: noticed('listen'), smell: noticed('smell'), feel: noticed('feel') },
    instrument,
    accident,
    needs: typeof first === 'string' ? [] : first,
    refused: typeof first === 'string' ? first : undefined,
    moves: moveLines(stand.laid, stand, units),
    stops: state.followed.stops.map(({ stop }) => stop.title),
    critical: criticalActs(stand.moves, state, true).map(({ words }) => words),
    repaired: state.followed.c.repaired.size > 0,
    recorded: state.record !== undefined,
    ended: stand.ended,
    nextEvent: stand.nextEvent(),
  };
}

/** What comes before the reading that stands on the display, or why it may not be taken. */
function firstOf(stand: Stand): readonly NeedLine[] | string {
  const question = stand.asks();
  if (!question) return [];
  const { model } = stand.laid.engine;
  const { work, of } = workOfQuestion(model, question);
  const offered = offer({ work: work ?? '', ...(of !== undefined && { of }) }, stand.state.followed, TRAINED);
  if (!offered.offered) return REFUSED[offered.why] ?? 'The rules do not let it be done now.';
  return offered.first.map(({ id, by, sentence }): NeedLine => {
    const line = { need: id, of, title: needTitle(id, stand.laid.engine.model.family), sentence } as const;
    if (typeof by === 'object' && 'minutes' in by) return { ...line, by: 'wait', minutes: by.minutes };
    if (typeof by === 'object' && 'set' in by)
      return { ...line, by: 'set', set: by.set === 'gas-off' ? { gas: false } : { power: false } };
    if (typeof by === 'object' && 'good' in by)
      return { ...line, by: 'fact', fact: { id: by.fact, value: by.good[0]! } };
    if (typeof by === 'object') return { ...line, by: 'fact', fact: { id: by.fact, value: by.least ?? 2 } };
    return { ...line, by: 'said' };
  });
}

const REFUSED: Readonly<Partial<Record<string, string>>> = {
  stop: 'A stop stands: what may hurt somebody comes first.',
  never: 'Nobody does that.',
  'bypass-on': 'Something is gone round: take that off first.',
  temporary: 'Something is apart: put it back first.',
};

/** Everything that was done, in words. */
function moveLines(
  { engine }: Pick<Laid, 'engine'>,
  { moves, state }: Pick<Stand, 'moves' | 'state'>,
  units: UnitSystem,
): MoveLine[] {
  const texts = new Map(entryTexts(engine, state, units).map(({ id, words }) => [moveOf(id), words]));
  const { model } = engine;
  const wordsOf = (body: Move['body'], move: number): string => {
    if (isPractice(body)) return practiceWords(body);
    if (body.type === 'opened') return `They say: ${body.complaint}`;
    // What a reading is worth is for the lesson.
    const read = 'typed' in body && kindOfBody(body.type) ? readAnswer(model, body as AnswerBody) : undefined;
    if (read?.kind === 'observation' && 'typed' in body)
      return `${questionTitle(model, read.observation)}: ${body.typed}`;
    return texts.get(move) ?? '';
  };
  return moves.map(({ at, body }, move) => ({ move, at, words: wordsOf(body, move) }));
}

function practiceWords(body: PracticeBody): string {
  switch (body.type) {
    case 'hint':
      return { half: 'Asked which half is left', test: 'Asked for the best test', why: 'Asked why' }[body.hint];
    case 'predicted':
      return `Said beforehand: ${body.guess}${body.right ? ', and so it was' : ', and it was not'}`;
    case 'accident':
      return `Ohms on a live circuit, ${body.where}`;
    case 'lead-zero':
      return 'Leads held together and taken off';
  }
}

/** How an exercise can end now. */
export function endingsNow(stand: Stand): EndingsNow {
  const { followed } = stand.state;
  const { c } = followed;
  const { parts } = stand.laid.engine.model;
  return {
    endings: ENDING_LIST.filter(({ id }) => id !== 'mistake' && id !== 'waiting').map((ending) => ({
      id: ending.id,
      title: ending.title,
      lacks: requirementsOf(ending, followed).flatMap(({ met, words }) => (met ? [] : [words])),
      asks: asksOf(ending, followed),
    })),
    lines: openLines(followed).map(({ id, do: what, limit }) => ({ id, words: what, limit })),
    safeties: [...c.causes]
      .filter(([, { mended }]) => !mended)
      .map(([id]) => ({ id, title: parts.find((p) => p.id === id)?.title ?? id })),
  };
}

/** What a hint says. */
export function hintWords(stand: Stand, hint: 'half' | 'test' | 'why'): string {
  const { engine } = stand.laid;
  const { state } = stand;
  const assessment = engine.assess(state.evidence);
  const situation = { evidence: state.evidence, declined: state.declined, person: TRAINED, followed: state.followed };
  const [best] = engine.next(situation, assessment);
  const left = assessment.suspects.filter(({ probability }) => probability > 0.02);
  switch (hint) {
    case 'half':
      return `${left.length} are left that still fit: ${left
        .slice(0, 6)
        .map(({ repair }) => repairWords(engine.model, repair))
        .join('; ')}${left.length > 6 ? ' …' : ''}.`;
    case 'test':
      return best ? `Best now: ${testTitle(engine.model, best.test)}.` : 'No test tells any more: decide.';
    case 'why':
      return best
        ? `${testTitle(engine.model, best.test)} tells ${best.bits.toFixed(1)} bits in ${best.test.minutes} min: of ${left.length} that are left it parts most from the rest for its time.`
        : 'Nothing that is left can be told apart by a test.';
  }
}

/** A lesson, in words. */
export interface LessonView {
  readonly title: string;
  readonly summary: string;
  readonly mark: Lesson['mark'];
  readonly shares: readonly { readonly title: string; readonly got: number; readonly of: number }[];
  readonly rows: readonly string[];
  readonly moves: readonly {
    readonly move: number;
    readonly at: Millis;
    readonly words: string;
    readonly believed: readonly number[];
    readonly bits: number | undefined;
    readonly best: string | undefined;
    readonly idle: boolean;
    readonly proof: boolean;
    /** An instrument or a look was asked. */
    readonly test: boolean;
  }[];
  readonly misconceptions: Lesson['misconceptions'];
  readonly planned: { readonly minutes: number; readonly tests: number; readonly moves: readonly MoveLine[] };
  readonly knowing: number | undefined;
  readonly wasted: number;
  /** The world opened: how the machine really ran when they came. */
  readonly truth: string;
}

const SHARE_TITLES = {
  proof: 'Proof',
  cause: 'Cause asked',
  minutes: 'Minutes',
  safety: 'Safety',
  record: 'Record',
} as const;

export function lessonView(
  laid: Laid,
  { moves }: Pick<Stand, 'moves'>,
  state: Stand['state'],
  lesson: Lesson,
  planned: { readonly state: Stand['state'] },
  units: UnitSystem,
): LessonView {
  const { model } = laid.engine;
  const { exercise } = laid;
  const { mark } = lesson;
  const lines = moveLines(laid, { moves, state }, units);
  const what = exercise.truth ? exercise.truth.words : 'Nothing was wrong';
  return {
    title: `${what}${mark.proved ? ': found and proved' : ''}`,
    summary: [
      `${Math.round(mark.minutes)} minutes`,
      counted(mark.tests, 'test'),
      mark.inVain.length === 0
        ? 'no part in vain'
        : `in vain: ${mark.inVain.map((id) => findPart(model, id)?.title ?? id).join(', ')}`,
      mark.critical.length === 0 ? 'no critical act' : counted(mark.critical.length, 'critical act'),
    ].join(', '),
    mark,
    shares: mark.shares.map(({ id, got, of }) => ({
      title:
        id === 'minutes' ? `${SHARE_TITLES.minutes}, planner ${Math.round(lesson.planned.minutes)}` : SHARE_TITLES[id],
      got,
      of,
    })),
    rows: [...lesson.rows.map((repair) => rowTitle(model, repair)), 'all others'],
    moves: lesson.moves.map((m, i) => ({
      move: m.move,
      at: m.at,
      words: lines[i]!.words,
      believed: m.believed.map(({ share }) => share),
      bits: m.bits,
      best: m.best === undefined ? undefined : bestTitle(laid, m.best),
      idle: m.idle,
      proof: moves[i]!.body.type === 'proof-line',
      test: TESTS.has(moves[i]!.body.type),
    })),
    misconceptions: lesson.misconceptions,
    planned: {
      minutes: lesson.planned.minutes,
      tests: lesson.planned.tests,
      moves: moveLines(laid, { moves: lesson.planned.moves, state: planned.state }, units),
    },
    knowing: lesson.knowing,
    wasted: lesson.wasted,
    truth: whatWas(laid),
  };
}

const counted = (n: number, of: string): string => (n === 1 ? `one ${of}` : `${n === 0 ? 'no' : n} ${of}s`);

function rowTitle(model: Model, repair: Lesson['rows'][number]): string {
  return repair === 'none' ? 'nothing is wrong' : repairWords(model, repair);
}

function bestTitle({ engine }: Laid, id: string): string {
  const test = engine.tests.find((t) => t.id === id);
  return test ? testTitle(engine.model, test) : id;
}

const KINDS = {
  single: 'One part had failed.',
  cause: 'A safety had opened rightly: what made it open was the cause.',
  nothing: 'Nothing was wrong; what seemed a fault was its way.',
  fitful: 'It came and went.',
  'bad-part': 'The first new part was as bad as the old one: measured before it is fitted, it stays in the box.',
  refer: 'It was somebody else’s work.',
} as const;

const whatWas = ({ exercise }: Laid): string =>
  `${KINDS[exercise.kind]}${exercise.whose === undefined ? '' : ` Whose: ${exercise.whose}.`}`;
