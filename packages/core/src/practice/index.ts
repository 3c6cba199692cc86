/**
 * Practice: somebody in front of a virtual appliance. Simulated visits and the worlds they are made in; exercises with something
 * hidden, what is done in them, their mark and their lesson.
 */
export { perform, type PracticeAct } from './acts';
export { type CriticalAct, criticalActs } from './critical';
export { drawnFrom } from './drawn-appliance';
export {
  drawExercise,
  engineFor,
  hideable,
  type Laid,
  type Learner,
  layOut,
  pinExercise,
  pinnable,
  profileFor,
} from './draw-exercise';
export {
  type DrawnExercise,
  type Exercise,
  EXERCISE_KINDS,
  exerciseCode,
  type ExerciseKind,
  readExerciseCode,
  truthsOf,
} from './exercise';
export { exerciseFromCall, meanMisfit } from './from-call';
export { asksRun, gradeRun, type RunGrade, shuffled, type StepTime, stepsOf } from './healthy-run';
export { knobOf } from './knob';
export { type Level, LEVELS, levelWith } from './levels';
export { type Believed, type Lesson, lessonOf, type MoveLesson } from './lesson';
export { TESTS } from './decision';
export { type ExerciseMark, markOf } from './mark';
export type { Misconception } from './misconceptions';
export type { OthersNow } from './other-appliances';
export { isPractice, type Move, moveOf, opening, type PracticeBody, stateAfter } from './move';
export { NOT_OURS } from './not-ours';
export { knowing, plan, type Planned } from './planner';
export { play, type Player, PLAYERS } from './players';
export { confusedIn, type LevelProgress, PASS, type Played, progressOf } from './progress';
export { ITSELF } from './recorded-break';
export { type HowTheyWork, ScriptedTechnician } from './scripted-technician';
export { MISREPORTED, SimulatedTechnician } from './simulated-technician';
export { type Finding, type Policy, SimulatedVisit } from './simulated-visit';
export { type Band, drawFrom, habitsIn, readWorld, wider, type World } from './world';
export type { InstrumentNow } from './in-hand';
export type { BeadNow, MachineNow } from './machine-now';
export { type KeptStand, keptUntil, Stand } from './stand';
export { hasPower } from './supply';
export { wireColours } from './wire-colours';
export { WrittenLog } from './written-log';
