/**
 * Question: what can be asked of an appliance. Its answers, what a trace says they will be, how an observation fits that, and
 * which part it is about.
 */
export { answered, type AnswerForm } from './answer-form';
export { bodyOf, meansFields, name, oneOf, readingFields } from './body-fields';
export { type Complaint, complainsOf } from './complaint';
export { askedKey, untilMended, type Evidence, type EvidenceItem } from './evidence';
export { type Fit, likelihood, type Scale } from './fit';
export { codesOf } from './kinds/code';
export { jointsOf } from './joints';
export { gaugeDial } from './kinds/gauge';
export { perTurn } from './kinds/amps';
export { ohmsBetween } from './dead-circuit';
export { type MeterFunction, SHOWN_OF_RECTIFIED, waveBetween, waveOf } from './meter-function';
export { ampsThrough } from './standing-amps';
export { voltsRangeOf } from './volts-range';
export { asUsual, meterRange, voltsDial } from './kinds/volts';
export { type LineWords, lineWords } from './line-words';
export {
  type AskedMessage,
  codeShown,
  type CodeShown,
  type Dial,
  type ExpectedMessage,
  type JointFound,
  type MeterRange,
  type ObservedMessage,
  type OptionMessage,
  type Place,
  type TitleMessage,
} from './messages';
export { type CommonCause, commonCauseOf } from './common-cause';
export { CLOCKS } from './moment';
export { METER_SETTLES } from './observed-stretch';
export { equal, isAbsent, type Prediction, readsOpen } from './prediction';
export { type Cost, type Read, WALK } from './question-kind';
export {
  type AnswerBody,
  kindOf,
  kindOfBody,
  type Observation,
  observationOf,
  type Question,
  QUESTION_KINDS,
  questionKey,
  readAnswer,
  toTheEnd,
  withMoment,
} from './question-kinds';
export { answerShows, atTerminal, commonNets, CONTRADICTS, isAbout, looksAt, terminals } from './relevance';
export { reaching } from './reach';
export type { FitAt } from './fit-volts';
export { fitAtSource, sourceOf } from './source-of';
export { scaleOf } from './scale';
