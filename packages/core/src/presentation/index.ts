/** Presentation: every sentence. Plain data in, words out. */
export { draftRecord, snapshot } from './break-record';
export { explain } from './explain';
export { type Guide, guideOf } from './guide';
export {
  codeWords,
  gaugeReading,
  inBrief,
  instruction,
  observationWords,
  OUTCOME_WORDS,
  predictionWords,
  provesWords,
  questionTitle,
  testTitle,
  voltsReading,
} from './wording';
