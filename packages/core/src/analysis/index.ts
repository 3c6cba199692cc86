/** Analysis: what can be said about a whole profile, or about a call before the visit. */
export { coverage, type Coverage } from './coverage';
export { findReadings, type Found, parseSought, type Sought } from './find-readings';
export { followed } from './followed';
export { missingPoint, type MissingPoint } from './missing-point';
export { proofOutlook, type ProofOutlook, watchedTry } from './proof-outlook';
export { byTelephone, type Carried, partsNeeded, partsToCarry, telephoneQuestions } from './triage';
export { type Channel, type LogDrawing, type LogReading, readAgainst } from './logger/against-model';
export { type LogColumn, type MeterLog, readMeterLog } from './logger/meter-log';
export { whereToHang } from './logger/where-to-hang';
