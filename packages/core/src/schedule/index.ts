/** Schedule: the day of a person as an ordered list; when each item would begin, and what does not go together. Pure; no clock. */
export {
  type Conflict,
  DAY,
  gapsOf,
  outOfOrder,
  type Placed,
  type Planned,
  PRIORITIES,
  type Priority,
  PRIORITY_WORDS,
  readSlot,
  type Slot,
  timetable,
  timeWords,
} from './timetable';
