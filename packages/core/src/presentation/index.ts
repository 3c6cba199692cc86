/** Presentation: every sentence. Plain data in, words out. */
export { draftRecord, snapshot } from './break-record';
export { callLength, type CallLength } from './call-length';
export { type CallView, type SuspectView, viewOf, type ViewOptions } from './call-view';
export type { BeadView, CordView } from './cord-view';
export { type Drawing, drawingOf, type DrawnItem, type DrawnRung } from './drawing';
export { explain } from './explain';
export { COMPLAINT_WORDS, OUTCOME_WORDS } from './fixed-words';
export { type Guide, guideOf } from './guide';
export { type BandView, type JudgedView, sayJudged } from './judged-words';
export { windingView, type WindingView } from './winding-view';
export { bareLadder, type LadderView } from './ladder-view';
export type { ClockView } from './running';
export { type ProofView, proofView } from './proof-view';
export { predictionBriefly, predictionWords, questionTitle } from './question-words';
export { type Asked, codeWords, minutesWords, readingBriefly } from './say';
export { type Tapped, tapped } from './tapped';
export { type AnswerFormView, testsView, type TestView } from './test-view';
export { type Instruction, instruction, instructionWords, provesWords, testTitle } from './test-words';
export { type CallReport, type CustomerPage, reportOf } from './report/report';
export type { Handover } from './report/handover';
export type { MeasuredLine, MeasuredMark } from './report/measured';
export type { Runs, StepOfRun } from './report/runs';
export type { TechnicalRecord } from './report/technical';
export { neededWords } from './fixed-words';
export { readingsOverTime, type ReadingsView } from './readings-over-time';
export type { RunCurve } from './run-curves';
export { swapView, type SwapView } from './swap-view';
export { understood } from './understood';
export { whatNow, type WhatNow } from './what-now';
export {
  endingsNow,
  type EndingsNow,
  hintWords,
  type LessonView,
  lessonView,
  type MoveLine,
  type NeedLine,
  type StandView,
  standView,
} from './practice-view';
