/**
 * Visit: the record of one call as an append-only log. Events, their total order, the reducer that turns a log into
 * everything shown, closing rules, and the case format. Pure: no clock, no network.
 */
export { caseEvents, caseHead, loadCase } from './case';
export { checkCase } from './check-case';
export { closingObstacles } from './close';
export { entryWords, type EntryWords, parseEntryLine } from './entry-line';
export { type AdviceSnapshot, type BreakRecord, type CallEvent, type EventBody, setupEntry } from './event';
export { compareEvents, mergeEvents, nextSeq } from './order';
export { type Adjustment, type CallState, reduceCall } from './reduce';
