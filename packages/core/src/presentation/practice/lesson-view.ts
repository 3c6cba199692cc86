import { type Laid, type Lesson, type Stand, TESTS, truthsOf } from '../../practice';
import { findPart, type Model } from '../../profile';
import { FIRST_EPISODE, VirtualAppliance } from '../../simulation';
import { inSeconds, type Millis, type UnitSystem } from '../../units';
import { repairWords } from '../test-view';
import { testTitle } from '../test-words';
import { type MoveLine, moveLines } from './move-lines';

/** A lesson, in words. */
export interface LessonView {
  readonly title: string;
  readonly summary: string;
  readonly mark: Lesson['mark'];
  readonly shares: readonly { readonly title: string; readonly got: number; readonly of: number }[];
  readonly rows: readonly string[];
  /** Parts of the chain, in the order of the circuit. */
  readonly chain: readonly string[];
  readonly moves: readonly {
    readonly move: number;
    readonly at: Millis;
    readonly words: string;
    readonly believed: readonly number[];
    readonly bits: number | undefined;
    /** The same by the minutes that it took. */
    readonly perMinute: number | undefined;
    /** Which parts of the chain could still be what broke. */
    readonly left: readonly boolean[];
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
  /** Its steps when somebody first stood there, with the seconds at which each came, here and by the book. */
  readonly run: readonly {
    readonly title: string;
    readonly here: number | undefined;
    readonly book: number | undefined;
  }[];
}

const SHARE_TITLES = {
  proof: 'Proof',
  cause: 'Cause asked',
  minutes: 'Minutes',
  times: 'Times guessed',
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
  const truths = truthsOf(exercise);
  const what = truths.length > 0 ? truths.map(({ words }) => words).join(', and ') : 'Nothing was wrong';
  return {
    title: `${what}${mark.proved ? FOUND[exercise.kind] : ''}`,
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
    chain: lesson.chain.map((part) => model.parts[part]!.title),
    moves: lesson.moves.map((m, i) => ({
      move: m.move,
      at: m.at,
      words: lines[i]!.words,
      believed: m.believed.map(({ share }) => share),
      bits: m.bits,
      perMinute: m.bits === undefined ? undefined : m.bits / Math.max(m.minutes, LEAST_MINUTES),
      left: m.left,
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
    run: runOpened(laid),
  };
}

/** A move takes at least so long, minutes. */
const LEAST_MINUTES = 0.1;

/** The true run beside that of the book. */
function runOpened({ engine: { model }, appliance }: Laid): LessonView['run'] {
  const first = [FIRST_EPISODE];
  const here = appliance.live(first).trace.cues;
  const book = new VirtualAppliance(model, []).live(first).trace.cues;
  const at = (cues: typeof here, phase: number): number | undefined => {
    const [cue] = cues[phase]!;
    return cue && inSeconds(cue.from);
  };
  return model.phases
    .map(({ index, title }) => ({ title, here: at(here, index), book: at(book, index) }))
    .filter(({ here, book }) => here !== undefined || book !== undefined);
}

const counted = (n: number, of: string): string => (n === 1 ? `one ${of}` : `${n === 0 ? 'no' : n} ${of}s`);

function rowTitle(model: Model, repair: Lesson['rows'][number]): string {
  return repair === 'none' ? 'nothing is wrong' : repairWords(model, repair);
}

function bestTitle({ engine }: Laid, id: string): string {
  const test = engine.tests.find((t) => t.id === id);
  return test ? testTitle(engine.model, test) : id;
}

/** What is said of one who came to it. */
const FOUND: Readonly<Record<Laid['exercise']['kind'], string>> = {
  single: ': found and proved',
  cause: ': found and proved',
  two: ': found and proved',
  fitful: ': found and proved',
  'bad-part': ': found and proved',
  nothing: ', and so you said',
  refer: ': rightly referred',
};

const KINDS = {
  single: 'One part had failed.',
  cause: 'A safety had opened rightly: what made it open was the cause.',
  nothing: 'Nothing was wrong; what seemed a fault was its way.',
  fitful: 'It came and went.',
  'bad-part': 'The first new part was as bad as the old one: measured before it is fitted, it stays in the box.',
  refer: 'It was somebody else’s work.',
  two: 'Two parts had failed: the second showed when the first was mended.',
} as const;

const whatWas = ({ exercise }: Laid): string =>
  `${KINDS[exercise.kind]}${exercise.whose === undefined ? '' : ` Whose: ${exercise.whose}.`}`;
