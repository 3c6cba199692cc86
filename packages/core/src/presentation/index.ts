/** Presentation: every sentence. Plain data in, words out. */
export { draftRecord, snapshot } from './break-record';
export { type CallView, type SuspectView, viewOf, type ViewOptions } from './call-view';
export type { BeadView, CordView } from './cord-view';
export { type Drawing, drawingOf, type DrawnItem, type DrawnRung } from './drawing';
export { explain } from './explain';
export { COMPLAINT_WORDS, OUTCOME_WORDS } from './fixed-words';
export { type Guide, guideOf } from './guide';
export type { LadderView } from './ladder-view';
export type { ClockView } from './running';
export { type ProofView, proofView } from './proof-view';
export { predictionBriefly, predictionWords, questionTitle } from './question-words';
export { type Asked, codeWords, minutesWords, readingBriefly } from './say';
export { type Tapped, tapped } from './tapped';
export { type AnswerFormView, testsView, type TestView } from './test-view';
export { type Instruction, instruction, instructionWords, provesWords, testTitle } from './test-words';
export type { RunCurve } from './run-curves';
export { understood } from './understood';
export { whatNow, type WhatNow } from './what-now';
