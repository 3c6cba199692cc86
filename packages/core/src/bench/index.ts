/** Bench: judging one component by what an instrument shows when it is isolated. */
export { RECTIFIED } from './calculators/rectified';
export { judgeDeadTest } from './judge';
export {
  type Because,
  type Judged,
  judgeMeasure,
  type Limits,
  limitsBefore,
  type Surroundings,
  type Whose,
} from './judge-test';
export type { Judgement, JudgementMessage } from './judgement';
export { type Limit, LIMITS, ofBook } from './limits';
export { keptFor, type KeptLimit, typedLimits } from './kept-limits';
export { KEPT_FIELDS, type KeptField, readLimits, unitOfMeasure } from './read-limits';
export { judgeSparkGap } from './spark-gap';
export { type Ask, type ComponentTest, isAnswered, type Measure, type Verdict } from './spec';
export { type BenchTest, benchTestOf } from './of-dead-test';
export { benchTestOfGauge } from './of-gauge';
export { benchTestOfAmps } from './of-amps';
export { benchTestsOfVolts } from './of-volts';
export { COMPONENT_TESTS } from './tests';
export { curveOf, type Result, type WorkedOut, WORKSHEETS, workOut, type Worksheet } from './worksheets';
export { judgeThermocouple } from './thermocouple';
export { type Instruments, readAsk } from './given';
export { type Accuracy, expanded, INSTRUMENTS_OF_A_BAG, type InstrumentOfABag, leadOhms, offBy } from './uncertainty';
export { COPPER_ALPHA_20, windingAt, windingAt20, withoutLeads } from './winding';
export { windingCourse, type WindingCourse } from './winding-course';
export { judgeZones, narrowedBy, type Uncertain, type Zone, type Zoned, type Zones } from './zones';
