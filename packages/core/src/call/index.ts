/**
 * Call: the record of one visit as an append-only log. Events, their total order, the reducer that turns a log into
 * everything shown, break records, closing rules, and the case format. Pure: no clock, no network.
 */
export type { AdviceSnapshot, BreakRecord, CallEvent, EventBody, EventType, Pins } from './event';
export { compareEvents, mergeEvents, nextSeq } from './order';
export { reduceCall, type Adjustment, type CallState, type LogEntry } from './reduce';
export { translate } from './translate';
export { closingObstacles } from './close';
export { entryWords, parseEntryLine, type EntryWords } from './entry-line';
export { draftRecord, snapshot, standingOf } from './advice';
export { CASE_FORMAT, caseEvents, caseHead, loadCase, type Case, type CaseStep, type Expectation } from './case';
export { checkCase, type CaseResult } from './check-case';
