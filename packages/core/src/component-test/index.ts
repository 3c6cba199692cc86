/** Component test: judging one component by what an instrument shows when it is isolated. */
export { COPPER_ALPHA_20, windingAt20, withoutLeads } from './winding';
export { USUAL_SCHOOL, type School } from './school';
export { judgeSparkGap } from './spark-gap';
export { judgeThermocouple } from './thermocouple';
export { judgeDeadTest, type Judgement, type Verdict } from './judge';
