import type { Model } from '../profile';
import { kindOf, type Observation, type Prediction, type Question } from '../question';
import { formatDuration, type Millis } from '../units';
import { type Reader, readingWords } from './reader';
import { type Asked, sayAsked, sayBriefly, sayExpected, sayNoted, sayObserved, sayTitle } from './say';

// What a question says of itself, in words.

export const questionWords = (model: Model, q: Question): Asked => sayAsked(kindOf(q).asked(model, q));

export const questionTitle = (model: Model, q: Question): string => sayTitle(kindOf(q).title(model, q));

export const observationWords = (model: Model, o: Observation, reader: Reader): string =>
  atItsMoment(sayObserved(kindOf(o).observed(model, o), reader), o.after);

/** Only what was read, where something was: it stands beside its title. */
export function readWords(model: Model, o: Observation, reader: Reader): string {
  const { message, data } = kindOf(o).observed(model, o);
  return message === 'read' ? readingWords(data.reading, data.dial, reader) : observationWords(model, o, reader);
}

/** The same as the log has it: the reading first. */
export const notedWords = (model: Model, o: Observation, reader: Reader): string =>
  atItsMoment(sayNoted(kindOf(o).observed(model, o), reader), o.after);

/** Of a run that still went on: how long after the call it was. */
export const atItsMoment = (words: string, after: Millis | undefined): string =>
  after === undefined || words === '' ? words : `${words}, ${formatDuration(after)} after the call`;

export const predictionWords = (model: Model, q: Question, p: Prediction, reader: Reader): string =>
  sayExpected(kindOf(q).expected(model, q, p), reader);

/** In so few characters that it can stand beside a point of a drawing. */
export const predictionBriefly = (model: Model, q: Question, p: Prediction, reader: Reader): string =>
  sayBriefly(kindOf(q).expected(model, q, p), reader);
