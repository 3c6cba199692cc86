import { unknownName } from '../profile';
import { type AnswerBody, type AnswerForm, answered, withMoment, type LineWords, QUESTION_KINDS } from '../question';
import { findUnit, type Parsed, parseQuantity } from '../units';

/** What the one field of a page may be about besides what is typed into it. */
interface Place {
  /** The question that stands above the field. */
  readonly asked?: Extract<AnswerForm, { kind: 'reading' }> | undefined;
  /** What was tapped: points, or a part and its winding; it goes before what is asked. */
  readonly tapped?: string;
  readonly phase?: string;
}

/** What was typed: an entry, and whether it is the answer to what was asked. */
export interface Typed {
  readonly body: AnswerBody;
  readonly answers: boolean;
}

/**
 * Reads what was typed into the one field of a page: the answer to what is asked there, or a line that names what it is
 * about itself.
 */
export function readField(names: LineWords, typed: string, place: Place): Parsed<Typed> {
  const moment = AFTER.exec(typed);
  if (!moment) return readPlain(names, typed, place);
  const after = parseQuantity(moment[1]!, 'time');
  if (!after.ok) return fail(`After how long? ${after.message}`);
  const read = readPlain(names, typed.replace(AFTER, ''), place);
  if (!read.ok) return read;
  const body = withMoment(read.value.body, after.value.value);
  return body
    ? { ok: true, value: { ...read.value, body } }
    : fail('This has no moment after the call: leave out “after …”.');
}

/** How long after the call for heat it was, at the end of a line: `0 V CT C after 2 min`. */
const AFTER = /\s+after\s+(\S.*)$/i;

function readPlain(names: LineWords, typed: string, { asked, tapped = '', phase }: Place): Parsed<Typed> {
  if (tapped !== '') return about(parseEntryLine(names, `${typed} ${tapped}`, phase), false);
  if (!asked) return about(parseEntryLine(names, typed, phase), false);
  const answer = answered<AnswerBody>(asked, typed);
  if (answer.ok) return about(answer, true);
  const own = parseEntryLine(names, typed, phase);
  // Who names something means that; who does not, means what is asked.
  const named = own.ok || typed.split(/[\s@]+/).some((word) => isName(names, word));
  return named ? about(own, false) : answer;
}

const about = (read: Parsed<AnswerBody>, answers: boolean): Parsed<Typed> =>
  read.ok ? { ok: true, value: { body: read.value, answers } } : read;

const isName = ({ nets, parts, gauges, looks }: LineWords, word: string): boolean =>
  nets.some((n) => n.toLowerCase() === word.toLowerCase()) ||
  [parts, gauges, looks].some((named) => Object.hasOwn(named, word.toLowerCase()));

/**
 * Reads a line such as `15.4V MV C` or `15-18 MV`: value, red probe, black probe. Without a black probe the point's own
 * common is taken; a step name after `@` says when (`24 W @call`).
 * Also `0.2 ohm gas-valve` for a dead test, `draft 0.33 inwc` for a gauge and `filter blocked` for something looked at.
 */
export function parseEntryLine(names: LineWords, line: string, phase?: string): Parsed<AnswerBody> {
  const at = line.lastIndexOf('@');
  const step = at >= 0 ? line.slice(at + 1).trim() : phase;
  const words = valueFirst(
    names,
    (at >= 0 ? line.slice(0, at) : line)
      .trim()
      .split(/\s+/)
      .filter((w) => w !== ''),
  );
  if (words.length < 2) return fail('Type the value and where the probes are, for example: 15.4V MV C');
  if (step !== undefined && !names.steps.includes(step)) return fail(unknownName('step', step, names.steps));
  for (const kind of QUESTION_KINDS) {
    const read = kind.readLine?.(names, words, step);
    if (read) return read;
  }
  return fail(unknownName('test point', words[words.length - 1]!, [...names.nets, ...Object.keys(names.parts)]));
}

/** `R C 24 V` and `R 24 V C` are `24 V R C`: the value and its unit first, the points in the order they were named. */
function valueFirst(names: LineWords, words: readonly string[]): readonly string[] {
  const at = words.findIndex((w) => /^[-+]?\.?\d|^OL$/i.test(w) && !isName(names, w));
  if (at <= 0) return words;
  const unit = words[at + 1];
  const end = unit !== undefined && findUnit(unit) !== undefined && !isName(names, unit) ? at + 2 : at + 1;
  return [...words.slice(at, end), ...words.slice(0, at), ...words.slice(end)];
}

const fail = (message: string): { ok: false; message: string } => ({ ok: false, message });
