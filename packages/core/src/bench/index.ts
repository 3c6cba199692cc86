/** Bench: judging one component by what an instrument shows when it is isolated. */
export { RECTIFIED } from './calculators/rectified';
export { judgeDeadTest } from './judge';
export type { Judgement, JudgementMessage } from './judgement';
export { judgeSparkGap } from './spark-gap';
export { judgeThermocouple } from './thermocouple';
export { COPPER_ALPHA_20, windingAt20, withoutLeads } from './winding';
