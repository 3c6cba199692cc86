import { judgeDeadTest, type Judgement, judgeSparkGap, judgeThermocouple } from '../bench';
import type { Assessment, Engine } from '../diagnosis';
import { findPart, findPhase, type Model } from '../profile';
import { contradiction } from '../proof';
import { type AnswerBody, kindOf, kindOfBody, type Observation, readAnswer } from '../question';
import { type TestingStandard, USUAL_STANDARD } from '../standards';
import { endingWith, type Followed, proofLineWith, telephoneQuestion } from '../rules';
import { formatDuration, formatReading, millis, type Reading, readingValue, type UnitSystem } from '../units';
import { NORMAL_SETUP } from '../simulation';
import {
  type CallEvent,
  type CallState,
  type EventBody,
  madeAt,
  type PinnedRates,
  type SetUp,
  setupEntry,
} from '../visit';
import { sayJudgement } from './judgement-words';
import { widthWords } from './judged-words';
import { fittedWords, neededWords } from './fixed-words';
import { factWords, LOOSE_WORDS, NEED_ANSWERS, needTitle, orderWords, sayMarks } from './rule-words';
import { notedWords, predictionWords, questionTitle } from './question-words';
import type { Reader } from './reader';

/** One entry of the evidence list. */
export interface LogLine {
  readonly id: string;
  readonly words: string;
  /** When it was made, by the server's clock as far as it is known. */
  readonly at: string;
  /** How far its device's clock was ahead, milliseconds; nothing when nobody noticed a difference. */
  readonly clockOff: number | undefined;
  readonly person: string;
  readonly retracted: boolean;
  readonly undoable: boolean;
  /** Takes another entry back; that one is struck through, and this one need not be shown. */
  readonly takesBack: boolean;
  readonly problem: string | undefined;
  /** What somebody has to see about it: made without the right, without what it needs, late. */
  readonly marks: readonly string[];
  /** The photo that was taken, where the entry is about one. */
  readonly photo: string | undefined;
  /** What each leading suspect says to it; empty for entries that are no evidence. */
  readonly follow: readonly SuspectSays[];
}

/** One suspect's word on one entry. */
interface SuspectSays {
  readonly suspect: string;
  readonly expected: string;
  readonly fits: boolean;
}

/** How many suspects are asked about an entry. */
const ASKED = 4;
/** Entries that stay whatever comes after them. */
const LASTING: readonly EventBody['type'][] = ['opened', 'retracted', 'redacted', 'closed', 'reopened'];

type LogReader = Reader & { readonly standard: TestingStandard };

/** The log in words, oldest first. */
export function logOf(engine: Engine, state: CallState, assessment: Assessment, reader: LogReader): LogLine[] {
  const { model } = engine;
  const texts = textsOf(engine, state, reader);
  return state.log.map(({ event, retracted, problem }, i) => {
    const words = texts[i]!;
    return {
      id: event.id,
      words,
      at: event.offset === undefined ? event.at : new Date(madeAt(event)).toISOString(),
      clockOff: event.offset,
      person: event.person,
      retracted,
      undoable: !retracted && !LASTING.includes(event.body.type),
      takesBack: event.body.type === 'retracted',
      problem,
      marks: sayMarks(state.followed.marks.get(event.id) ?? [], model.family),
      photo: event.body.type === 'photo' ? event.body.photo : undefined,
      follow: saidBySuspects(model, assessment, event.id, reader),
    };
  });
}

function saidBySuspects(model: Model, assessment: Assessment, event: string, reader: Reader): SuspectSays[] {
  const item = assessment.items.find((i) => i.item.id === event);
  if (!item) return [];
  return assessment.suspects.slice(0, ASKED).flatMap(({ leading }) => {
    const prediction = item.predictions[leading.index];
    if (!prediction) return [];
    return {
      suspect: leading.words,
      expected: predictionWords(model, item.item.observation, prediction, reader),
      fits: contradiction(leading, [item]) === 0,
    };
  });
}

/** What every entry of a log says, oldest first. */
function textsOf(engine: Engine, { log, followed }: CallState, reader: LogReader): string[] {
  let before = setupEntry(NORMAL_SETUP);
  return log.map(({ event, retracted }) => {
    const words = entryWords(engine, event, reader, before, followed);
    if (event.body.type === 'setup' && !retracted) before = event.body;
    return words;
  });
}

/** The same with the id of each, as the usual shop reads it. */
export function entryTexts(
  engine: Engine,
  state: CallState,
  units: UnitSystem,
): { readonly id: string; readonly words: string }[] {
  const texts = textsOf(engine, state, { units, standard: USUAL_STANDARD });
  return state.log.map(({ event }, i) => ({ id: event.id, words: texts[i]! }));
}

function entryWords(engine: Engine, { body }: CallEvent, reader: LogReader, before: SetUp, followed: Followed): string {
  const kind = kindOfBody(body.type);
  return kind ? answerWords(engine.model, body as AnswerBody, reader) : otherWords(engine, body, before, followed);
}

/** An answer to a question, and what is to be thought of it. */
function answerWords(model: Model, body: AnswerBody, reader: LogReader): string {
  const words = readWords(model, body, reader);
  return 'by' in body && body.by !== undefined ? `${words} · ${body.by}` : words;
}

function readWords(model: Model, body: AnswerBody, reader: LogReader): string {
  const read = readAnswer(model, body);
  if (read.kind === 'observation') {
    const words = notedWords(model, read.observation, reader);
    if ('judged' in body && body.judged && 'reading' in body)
      return judgedWords(words, body.judged, body.reading, reader);
    const judged = judge(model, read.observation, reader.standard);
    if (!judged) return words;
    const said = sayJudgement(judged.judgement, reader);
    return judged.asWhole ? `${questionTitle(model, read.observation)}: ${said}` : `${words}. As open circuit: ${said}`;
  }
  if (body.type === 'seen') {
    return `${findPhase(model, body.phase)?.title ?? body.phase}: can’t tell`;
  }
  // The profile has no such name any more: what was written down is shown as it was.
  const { type: _type, ...fields } = { ...body, by: undefined };
  const names = Object.values(fields).filter((v) => typeof v === 'string' && v !== '');
  if (!('reading' in fields)) return names.join(' ');
  return `${names.filter((n) => n !== fields.typed).join(' ')}: ${formatReading(fields.reading, reader.units)}`;
}

/** A reading that was corrected and judged on the Bench, with how sure it is. */
function judgedWords(
  words: string,
  { verdict, u }: { readonly verdict: string; readonly u: number },
  reading: Reading,
  reader: LogReader,
): string {
  const width = u > 0 && ` ± ${widthWords(u, readingValue(reading), reading.dimension, reader.units)}`;
  return width ? `${words}${width}, corrected: ${verdict}` : `${words}, judged: ${verdict}`;
}

/** The judgement on a reading of a component by itself; `asWhole` when it says the reading too. */
function judge(
  model: Model,
  o: Observation,
  standard: TestingStandard,
): { readonly judgement: Judgement['says']; readonly asWhole: boolean } | undefined {
  const dead = kindOf(o).deadTest?.(model, o);
  if (dead && 'reading' in o) return { judgement: judgeDeadTest(dead, o.reading, standard).says, asWhole: true };
  switch (o.kind) {
    case 'gauge': {
      // The one length that is measured on these machines.
      const isGap = model.quantities[model.gauges[o.gauge]!.quantity]!.dimension === 'length';
      return isGap ? { judgement: judgeSparkGap(readingValue(o.reading), standard).says, asWhole: true } : undefined;
    }
    case 'volts': {
      const across = model.parts.some(
        ({ kind, branches: [b] }) =>
          kind.judgedOpenCircuit && b && [b.a, b.b].includes(o.red) && [b.a, b.b].includes(o.black),
      );
      return across
        ? { judgement: judgeThermocouple(readingValue(o.reading), standard).says, asWhole: false }
        : undefined;
    }
    default:
      return undefined;
  }
}

function otherWords({ model, tests }: Engine, body: EventBody, before: SetUp, followed: Followed): string {
  const title = (id: string): string => findPart(model, id)?.title ?? id;
  switch (body.type) {
    case 'opened':
      return `Call opened: ${body.complaint}${ratesWords(body.settings.rates)}`;
    case 'setup':
      return setupWords(model, body, before);
    case 'declined': {
      const test = tests.find((t) => t.id === body.test);
      return `${body.why === 'cannot' ? 'Cannot' : 'Will not'} do: ${test ? questionTitle(model, test.question) : body.test}`;
    }
    case 'repaired':
      if (body.old === true) return `Put back: the old ${title(body.part)}`;
      return `Repaired: ${title(body.part)}${body.action === '' ? '' : `, ${body.action}`}${body.measured === true ? ', measured before fitting' : ''}${fittedWords(body)}`;
    case 'adjusted':
      return `Adjusted: ${body.what}, was ${body.original}, now ${body.now}`;
    case 'adjustment-settled':
      return body.how === 'kept' ? 'The adjustment stays' : 'Adjustment put back';
    case 'danger':
      return `Danger: ${body.danger}`;
    case 'danger-over':
      return `Danger over: ${body.words}`;
    case 'fact':
      return factWords(body.fact, body.value);
    case 'reset':
      return `Reset pressed: ${body.title}${body.by === 'customer' ? ', by the customer' : ''}`;
    case 'cause':
      return `Why ${title(body.safety)} opened: ${body.words}${body.mended ? ' (mended)' : ''}`;
    case 'need':
      return `${needTitle(body.need, model.family)} ${NEED_ANSWERS[body.answer]}${body.words === undefined ? '' : `: ${body.words}`}`;
    case 'temporary':
      return `${LOOSE_WORDS[body.kind]}: ${body.title}`;
    case 'undone':
      return 'Put back';
    case 'stop-order':
      return orderWords(body, followed);
    case 'stop-ended':
      return `Stop over: ${followed.raisedStops.get(body.stop)?.title ?? body.stop}`;
    case 'proof-line':
      return `Proof: ${proofLineWith(body.line)?.do ?? body.line}, ${body.answer === 'done' ? (body.value ?? 'done') : 'does not apply'}`;
    case 'countersigned':
      return body.says === 'yes' ? 'Countersigned' : `Sent back: ${body.words}`;
    case 'shown':
      return body.on ? 'Shown to a lead' : 'Shown to a lead no more';
    case 'pinned':
      return `Asked: ${body.words}`;
    case 'pin-answered':
      return `Answered: ${body.words}`;
    case 'timer':
      return `Timer set: ${body.title}, ${formatDuration(millis(body.seconds))}`;
    case 'by-telephone': {
      const asked = telephoneQuestion(body.asked);
      return `By telephone: ${asked?.ask ?? body.asked} ${asked?.answers.find((a) => a.id === body.answer)?.title ?? body.answer}`;
    }
    case 'recommended':
      return `Recommended: ${body.words}`;
    case 'recommendation-settled':
      return `${body.how === 'accepted' ? 'Accepted' : 'Declined'} by the customer${body.words === '' ? '' : `: ${body.words}`}`;
    case 'part-needed':
      return `Needed: ${neededWords(body)}`;
    case 'wire-listed':
      return `Wire list, ${body.part}: ${body.wire} on ${body.terminal}`;
    case 'wire-back':
      return 'The wire is on its terminal again';
    case 'upkeep-done':
      return `Upkeep, ${body.title}: ${body.result}${body.words === '' ? '' : `, ${body.words}`}`;
    case 'part-arrived':
      return 'The part has come';
    case 'note':
      return body.text;
    case 'photo':
      return `Photo taken${body.kind === undefined ? '' : ` of the ${body.kind}`}${body.words === '' ? '' : `: ${body.words}`}`;
    case 'retracted':
      return 'Taken back';
    case 'redacted':
      return 'The words of another entry were taken out for good';
    case 'break-recorded':
      return `Break recorded: ${title(body.part)}, ${body.failure} (${body.standing})`;
    case 'closed':
      return `Call closed${body.ending === undefined ? '' : `, ${endingWith(body.ending)!.title.toLowerCase()}`}${closingWords(body)}`;
    case 'reopened':
      return `Opened again: ${body.words}`;
    default:
      return '';
  }
}

/** What a setup changed, each thing in full. */
function setupWords(model: Model, to: SetUp, from: SetUp): string {
  const title = (list: readonly { readonly id: string; readonly title: string }[], id: string): string =>
    list.find((x) => x.id === id)?.title ?? id;
  const added = (key: 'unplugged' | 'bypassed' | 'actions'): string[] =>
    (to[key] ?? []).filter((id) => !(from[key] ?? []).includes(id));
  const gone = (key: 'unplugged' | 'bypassed' | 'actions'): string[] =>
    (from[key] ?? []).filter((id) => !(to[key] ?? []).includes(id));
  const changes = [
    ...(to.power === from.power ? [] : [`power ${to.power ? 'on' : 'off'}`]),
    ...(to.gas === from.gas ? [] : [`gas ${to.gas ? 'on' : 'shut'}`]),
    ...(to.call === from.call ? [] : [to.call ? 'call for heat' : 'no call for heat']),
    ...added('unplugged').map((id) => `${title(model.plugs, id)} unplugged`),
    ...gone('unplugged').map((id) => `${title(model.plugs, id)} plugged in`),
    ...added('bypassed').map((id) => `bypass on ${title(model.parts, id)}`),
    ...gone('bypassed').map((id) => `bypass off ${title(model.parts, id)}`),
    ...added('actions').map((id) => title(model.actions, id)),
    ...gone('actions').map((id) => `over: ${title(model.actions, id)}`),
  ];
  if (changes.length > 0) return `Set: ${changes.join(', ')}`;
  return `Noted: power ${to.power ? 'on' : 'off'}, gas ${to.gas ? 'on' : 'shut'}`;
}

/** What somebody wrote when the call was closed. */
function closingWords({ words, given = {} }: Extract<EventBody, { type: 'closed' }>): string {
  const all = [words, ...Object.values(given)].filter((w) => w !== '');
  return all.length === 0 ? '' : `: ${all.join('; ')}`;
}

/** Which rates the suspects are weighed by, where the shop has its own. */
const ratesWords = (rates: PinnedRates | undefined): string =>
  rates === undefined ? '' : ` (weighed by version ${rates.version} of the shop’s rates)`;
