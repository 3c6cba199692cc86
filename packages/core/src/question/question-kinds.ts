import type { Static } from '@sinclair/typebox';
import type { Model } from '../profile';
import { amps } from './kinds/amps';
import { between } from './kinds/between';
import { code } from './kinds/code';
import { continuity } from './kinds/continuity';
import { farads } from './kinds/farads';
import { gauge } from './kinds/gauge';
import { joint } from './kinds/joint';
import { lamp } from './kinds/lamp';
import { look } from './kinds/look';
import { ohms } from './kinds/ohms';
import { outcome } from './kinds/outcome';
import { seen } from './kinds/seen';
import { timing } from './kinds/timing';
import { told } from './kinds/told';
import { volts } from './kinds/volts';
import { type AtMoment, momentOf } from './moment';
import type { Prediction } from './prediction';
import type { QuestionKind, Read } from './question-kind';

/** Every kind of question; a new one is a file of its own and a line here. In the order in which a reading line is tried. */
const ALL = {
  outcome,
  code,
  seen,
  gauge,
  continuity,
  lamp,
  look,
  joint,
  amps,
  farads,
  ohms,
  between,
  volts,
  timing,
  told,
} as const;

type Kinds = typeof ALL;
export type KindName = keyof Kinds;

type QuestionOf<K extends KindName> = Kinds[K] extends QuestionKind<infer Q, infer _O, infer _B> ? Q : never;
type ObservationOf<K extends KindName> = Kinds[K] extends QuestionKind<infer _Q, infer O, infer _B> ? O : never;

/** What is asked, without the answer: predictions are made for questions. */
export type Question = { [K in KindName]: QuestionOf<K> }[KindName] & AtMoment;

/** What a person saw or measured, without when and who. All indices are the model's. */
export type Observation = { [K in KindName]: ObservationOf<K> }[KindName] & AtMoment;

/** The body of an entry that keeps an answer. */
export type AnswerBody = { [K in KindName]: Static<Kinds[K]['body']> }[KindName];

/** A kind, when all that is known of its question is that it is one. */
type AnyKind = QuestionKind<Question, Observation, Kinds[KindName]['body']>;

// Each kind is only ever given questions of its own name.
const BY_NAME = ALL as unknown as Readonly<Record<KindName, AnyKind>>;

export const QUESTION_KINDS: readonly AnyKind[] = Object.values(BY_NAME);

/** The kind of a question or observation. */
export const kindOf = ({ kind }: { readonly kind: KindName }): AnyKind => BY_NAME[kind];

/** The kind whose answers are kept in entries of this type. */
export const kindOfBody = (type: string): AnyKind | undefined =>
  Object.hasOwn(BY_NAME, type) ? BY_NAME[type as KindName] : undefined;

/** A name for a question, its moment included. */
export function questionKey(model: Model, question: Question): string {
  const key = kindOf(question).key(model, question);
  return question.after === undefined ? key : `${key} after ${question.after}`;
}

/** An answer with its moment, seconds after the call for heat; nothing where its kind happens at none (a dead test). */
export const withMoment = (body: AnswerBody, after: number): AnswerBody | undefined =>
  'after' in BY_NAME[body.type].body.properties ? ({ ...body, after } as AnswerBody) : undefined;

/** The same question, of a run that is watched to its end. */
export const toTheEnd = ({ after: _after, ...question }: Question): Question => question as Question;

/** Translates a stored answer into the model's indices, its moment included. */
export function readAnswer(model: Model, body: AnswerBody): Read<Observation> {
  const read = BY_NAME[body.type].read(model, body);
  return read.kind === 'observation' ? { ...read, observation: { ...read.observation, ...momentOf(body) } } : read;
}

/** The answer a prediction amounts to; nothing where nothing could be noted. */
export const observationOf = (model: Model, question: Question, prediction: Prediction): Observation | undefined =>
  kindOf(question).observe(model, question, prediction);
