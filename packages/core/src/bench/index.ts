/** Bench: judging one component by what an instrument shows when it is isolated. */
export { RECTIFIED } from './calculators/rectified';
export { judgeDeadTest } from './judge';
export type { Judgement, JudgementMessage } from './judgement';
export { judgeSparkGap } from './spark-gap';
export { judgeThermocouple } from './thermocouple';
export { COPPER_ALPHA_20, windingAt20, withoutLeads } from './winding';
export { type Limit, LIMITS, ofBook } from './limits';
export { measured, measuredOhms, measuredTimes, measuredWinding } from './measured';
export { type Accuracy, expanded, INSTRUMENTS_OF_A_BAG, leadOhms, offBy } from './uncertainty';
export { judgeZones, narrowedBy, type Uncertain, type Zone, type Zoned, type Zones } from './zones';
