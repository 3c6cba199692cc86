import { type AnswerBody, perTurn, type TitleMessage } from '../question';
import { millis } from '../units';
import { atItsMoment } from './question-words';
import type { Drawing } from './drawing';
import type { Reader } from './reader';
import { sayNoted } from './say';

/** What was understood of a line while it is still being typed: as the log will have it. Asks no engine. */
export function understood(drawing: Drawing, body: AnswerBody, reader: Reader): string {
  const { after } = body as { readonly after?: number };
  return atItsMoment(wordsOf(drawing, body, reader), after === undefined ? undefined : millis(after));
}

function wordsOf(drawing: Drawing, body: AnswerBody, reader: Reader): string {
  if (body.type === 'look') {
    const look = drawing.looks.find((l) => l.id === body.look)!;
    const answer = look.answers.find((a) => a.id === body.answer)!.title;
    return sayNoted({ message: 'looked', data: { ask: look.ask, answer } }, reader);
  }
  if (body.type === 'continuity') {
    const data = { ...passageOf(drawing, body), sounds: body.sounds === 'yes' };
    return sayNoted({ message: 'beeped', data }, reader);
  }
  if (body.type === 'lamp') {
    const { red, black, lights } = body;
    const step = drawing.phases.find((p) => p.id === body.phase)?.title;
    return sayNoted({ message: 'lamp-lights', data: { red, black, step, lights: lights === 'yes' } }, reader);
  }
  if (body.type === 'joint') {
    const joint = drawing.joints.find((j) => j.id === body.joint)?.title ?? body.joint;
    return sayNoted({ message: 'joint-found', data: { joint, found: body.found } }, reader);
  }
  const title = titleOf(drawing, body);
  if (!title || !('reading' in body)) return '';
  const reading = body.type === 'amps' ? perTurn(body.reading, body.turns ?? 1) : body.reading;
  return sayNoted({ message: 'read', data: { title, reading, dial: {} } }, reader);
}

/** The passage of a part that was meant; of a part with a single one the part says enough. */
function passageOf(
  drawing: Drawing,
  body: { readonly part: string; readonly branch?: string | undefined },
): { part: string; branch: string } {
  const passages = drawing.words.parts[body.part];
  return {
    part: drawing.parts.find((p) => p.id === body.part)?.title ?? body.part,
    branch: passages !== undefined && passages.length > 1 ? (body.branch ?? '') : '',
  };
}

function titleOf(drawing: Drawing, body: AnswerBody): TitleMessage | undefined {
  const step = (id: string | undefined): string | undefined => drawing.phases.find((p) => p.id === id)?.title;
  switch (body.type) {
    case 'volts':
      return { message: 'volts', data: { red: body.red, black: body.black, step: step(body.phase) } };
    case 'between':
      return { message: 'between', data: { red: body.red, black: body.black } };
    case 'ohms':
      return { message: 'dead', data: { ...passageOf(drawing, body), dimension: 'resistance' } };
    case 'farads':
      return { message: 'dead', data: { ...passageOf(drawing, body), dimension: 'capacitance' } };
    case 'amps':
      return { message: 'amps', data: { ...passageOf(drawing, body), step: step(body.phase) } };
    case 'gauge':
      return {
        message: 'titled',
        data: { words: drawing.gauges.find((g) => g.id === body.gauge)?.title ?? body.gauge },
      };
    case 'timing':
      return { message: 'time', data: { step: step(body.phase) ?? body.phase } };
    default:
      return undefined;
  }
}
