import { unknownName } from '../profile';
import { type AnswerBody, type LineWords, QUESTION_KINDS } from '../question';
import type { Parsed } from '../units';

/**
 * Reads a line such as `15.4V MV C` or `15-18 MV`: value, red probe, black probe. Without a black probe the point's own
 * common is taken; a step name after `@` says when (`24 W @call`).
 * Also `0.2 ohm gas-valve` for a dead test, `draft 0.33 inwc` for a gauge and `filter blocked` for something looked at.
 */
export function parseEntryLine(names: LineWords, line: string, phase?: string): Parsed<AnswerBody> {
  const at = line.lastIndexOf('@');
  const step = at >= 0 ? line.slice(at + 1).trim() : phase;
  const words = (at >= 0 ? line.slice(0, at) : line)
    .trim()
    .split(/\s+/)
    .filter((w) => w !== '');
  if (words.length < 2) return fail('Type the value and where the probes are, for example: 15.4V MV C');
  if (step !== undefined && !names.steps.includes(step)) return fail(unknownName('step', step, names.steps));
  for (const kind of QUESTION_KINDS) {
    const read = kind.readLine?.(names, words, step);
    if (read) return read;
  }
  return fail(unknownName('test point', words[words.length - 1]!, [...names.nets, ...Object.keys(names.parts)]));
}

const fail = (message: string): { ok: false; message: string } => ({ ok: false, message });
