import type { Static, TObject } from '@sinclair/typebox';
import type { DeadTest } from '../parts';
import type { Data, Fields, Model, Part, Path } from '../profile';
import type { Lived } from '../simulation';
import type { TestingStandard } from '../standards';
import type { Parsed } from '../units';
import type { AnswerForm, Subject } from './answer-form';
import type { Fit, NumberError, Scale } from './fit';
import type { LineWords } from './line-words';
import type { AskedMessage, ExpectedMessage, ObservedMessage, TitleMessage } from './messages';
import type { Prediction } from './prediction';
import type { Hand } from './simulated-hand';

/** What a test of a question costs. */
export interface Cost {
  /** Minutes, reach and preparation included. */
  readonly minutes: number;
  /** A probe touches line voltage. */
  readonly line: boolean;
}

/** A question that a profile allows as a test of its own. */
export interface Offer<Q> extends Cost {
  readonly question: Q;
  /** Its place in a walk from source to load. */
  readonly walk: Walk;
  /** Minutes once what it needs is prepared; the same when nothing is said. */
  readonly afterwards?: number;
}

/** The legs of a walk in their order: what is seen before anything is opened, the watched try, the wiring, gauges, looks, dead tests. */
export const WALK = ['outside', 'try', 'wiring', 'gauges', 'looks', 'dead'] as const;
type Walk = (typeof WALK)[number];

/** What a stored entry means to the engine, or why it means nothing for this profile. */
export type Read<O> =
  | { readonly kind: 'observation'; readonly observation: O }
  | { readonly kind: 'nothing' }
  | { readonly kind: 'problem'; readonly message: string };

/** An answer as it comes out of a simulated appliance, and the hand that reports it. */
interface Exact<O> {
  readonly observation: O;
  readonly truth: Prediction;
  /** What a sound appliance would show. */
  readonly sound: () => Prediction;
}

/**
 * One kind of question: everything that depends on it. `Q` is the question, `O` the question with its answer, `B` the body
 * of the entry that keeps the answer. All indices are the model's; names in a body are the profile's, so that a log can be
 * read without the model.
 */
export interface QuestionKind<Q extends { kind: string }, O extends Q, B extends TObject> {
  readonly kind: Q['kind'];
  /** What an answer weighs in a proof: an instrument's, a look made by itself, or a cue of a try that was watched. */
  readonly weighs: 'reading' | 'look' | 'cue';
  /** It is read off when a try has ended: the minutes of a whole try go as far. */
  readonly endsTry?: true;
  /** Finding nothing wrong by it clears what it is asked of. */
  readonly clears?: true;
  /** How the answer is stored. */
  readonly body: B;

  /** A name for a question; the same question asked twice has the same name. Part of the ids of tests. */
  key(model: Model, question: Q): string;
  /** Possible answers by index, as ids; none where the answer is a reading. */
  answers(model: Model, question: Q): readonly string[];
  /** Tests that the profile allows of it, in the order of the wiring. */
  offers(model: Model): readonly Offer<Q>[];
  /** What it costs to ask it of an appliance that was set up for it. */
  cost(model: Model, question: Q): Cost;
  /** The dead test of a part that it is: what a sound one shows. */
  deadTest?(model: Model, question: Q): DeadTest | undefined;
  /** What has to be prepared for it: the same word means the same preparation. */
  preparation?(model: Model, question: Q): string;
  /** Which way of looking for an open device it belongs to. */
  probing?(model: Model, question: Q): TestingStandard['probing'] | undefined;
  /** Which cautions of a profile apply to it, and the caution of what it touches. */
  cautions?(model: Model, question: Q): { readonly applies: readonly string[]; readonly own?: string | undefined };
  /** Whether a customer can tell, on the telephone and before anybody came. */
  byTelephone?(model: Model, question: Q): boolean;

  /** The answer under one hypothesis, from its trace and its active faults. */
  predict(model: Model, lived: Lived, question: Q): Prediction;
  /** How an answer sits with a prediction; `sound` is the prediction for a sound appliance. */
  fit(model: Model, observation: O, prediction: Prediction, scale: Scale, sound: Prediction | undefined): Fit;
  /** Errors a number can have; for kinds that predict numbers. */
  numberError?(model: Model, question: Q): NumberError;
  /** Orders predictions so that those alike are neighbours. */
  place(prediction: Prediction): number;
  /** Whether two predictions would be answered the same way. */
  sameOutcome(model: Model, question: Q): (a: Prediction, b: Prediction) => boolean;
  /** A prediction rounded to what can be told apart, for comparing whole profiles. */
  coarse(model: Model, question: Q, prediction: Prediction): string;
  /** The answer a prediction amounts to; nothing where nothing could be noted. */
  observe(model: Model, question: Q, prediction: Prediction): O | undefined;
  /** The answer as a simulated technician reports it, errors and the noise of the instrument included. */
  report(model: Model, exact: Exact<O>, hand: Hand): O;
  /** Whether it is asked of this part: at its terminals, of what it senses or disturbs. */
  isRelevantTo(model: Model, part: Part, question: Q): boolean;
  /** A word that is the same for the same thing said again, with something else unplugged or done; for cues. */
  saidSo?(observation: O): string;

  /** The body without its answer. */
  subject(model: Model, question: Q): Subject;
  /** How the answer is given. */
  form(model: Model, question: Q): AnswerForm;
  /** Translates the names of a stored answer into the model's indices. */
  read(model: Model, body: Static<B>): Read<O>;
  /** Reads it from the words of a reading line; nothing when the line is of another kind. */
  readLine?(names: LineWords, words: readonly string[], step: string | undefined): Parsed<Static<B>> | undefined;
  /** Reads it from an event of a case file; what is wrong becomes a problem of the file. */
  readCase(fields: Fields, value: Data, path: Path, model: Model): readonly Static<B>[];

  // What is to be said; the sentences live in the presentation.
  asked(model: Model, question: Q): AskedMessage;
  title(model: Model, question: Q): TitleMessage;
  observed(model: Model, observation: O): ObservedMessage;
  expected(model: Model, question: Q, prediction: Prediction): ExpectedMessage;
}
