/**
 * Visit: the record of one call as an append-only log. Events, their total order, the reducer that turns a log into
 * everything shown, closing rules, and the case format. Pure: no clock, no network.
 */
export { type LogSoFar, pointsAt, type Refusal, refusalOf } from './admission';
export { caseEvents, caseHead, loadCase } from './case';
export { caseOf } from './case-writer';
export { checkCase } from './check-case';
export { parseEntryLine, readField, type Typed } from './entry-line';
export { BODIES, type EventBody } from './event-kinds';
export { type CallEvent, madeAt } from './event';
export type { Adjusted } from './events/adjusted';
export type { AdviceSnapshot, BreakRecord } from './events/break-recorded';
export type { NeededPart } from './events/part-needed';
export { PHOTO_KINDS, type PhotoKind } from './events/photo';
export type { ListedWire } from './events/wire-listed';
export type { Recommendation } from './events/recommended';
export { build, buildEntry, buildOf, type PinnedRates, pinnedRates } from './events/opened';
export { orderBodies } from './order-bodies';
export { type LedgerLine, type SetUp, setupEntry } from './events/setup';
export { LOOSE } from './events/temporary';
export { uuid } from './fields';
export { happeningsOf } from './happenings';
export { type Meanings, meaningsOf, withMeaning, withMeanings } from './meaning';
export { compareEvents, mergeEvents, nextSeq } from './order';
export {
  type Arrived,
  type OpenBypass,
  type OpenClaim,
  type OpenStop,
  type OpenTemporary,
  type Overview,
  OVERVIEW_TYPES,
  overviewOf,
  termsOf,
} from './overview';
export { hasFreeText, TAKEN_OUT, withoutFreeText } from './redact';
export { type CallState, reduceCall } from './reduce';
export { observationOfEntry } from './translate';
export { presentSetup } from './present-setup';
export { standingEntries } from './retractions';
export { changesOf, settled } from './settled';
