/** History: what the readings of a machine come to over the years, and when one of them will cross a limit. */
export { ageAt } from './age';
export { CALLBACK_WITHIN_DAYS, callbacksAmong, NO_VISIT } from './callbacks';
export { AHEAD, courseOf, type LimitEnd } from './course';
export { type FittedPart, fittedParts } from './fitted-parts';
export { MILLIS_A_YEAR, type Moment } from './moment';
export { leftToDo } from './left-to-do';
export { DATED_TYPES, type MachineEntry, READING_TYPES, type ReadingLine, readingLines } from './reading-lines';
export { type Crossing, crossingOf, type Point, type Trend, trendAt, trendOf } from './trend';
export { BLANK_SHEET, type Sheet, SHEET, SHEET_IDS, type SheetId, sheetProblems } from './sheet';
