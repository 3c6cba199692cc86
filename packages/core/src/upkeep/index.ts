/** Upkeep: what a machine asks for again and again, by its family and what is fitted, and when each falls due. Pure; days, no clock. */
export {
  addDays,
  type Day,
  daysBetween,
  type Due,
  dueOf,
  dueWords,
  DUTY_RESULTS,
  type DutyResult,
  isDay,
  type LastDone,
} from './due';
export { type Duty, DUTIES, dutiesOf, DUTY_IDS, type DutyId, dutyWith, type Upkept } from './duties';
