import type { Model } from '../profile';
import { kindOf, type Observation, type Prediction, type Question } from '../question';
import type { Reader } from './reader';
import { type Asked, sayAsked, sayBriefly, sayExpected, sayObserved, sayTitle } from './say';

// What a question says of itself, in words.

export const questionWords = (model: Model, q: Question): Asked => sayAsked(kindOf(q).asked(model, q));

export const questionTitle = (model: Model, q: Question): string => sayTitle(kindOf(q).title(model, q));

export const observationWords = (model: Model, o: Observation, reader: Reader): string =>
  sayObserved(kindOf(o).observed(model, o), reader);

export const predictionWords = (model: Model, q: Question, p: Prediction, reader: Reader): string =>
  sayExpected(kindOf(q).expected(model, q, p), reader);

/** In so few characters that it can stand beside a point of a drawing. */
export const predictionBriefly = (model: Model, q: Question, p: Prediction, reader: Reader): string =>
  sayBriefly(kindOf(q).expected(model, q, p), reader);
