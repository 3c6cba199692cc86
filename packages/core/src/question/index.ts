/**
 * Question: what can be asked of an appliance. Its answers, what a trace says they will be, how an observation fits that, and
 * which part it is about.
 */
export { type Complaint, COMPLAINT_IDS, COMPLAINTS } from './complaint';
export { type Fit, fitOf, likelihood, lookError, numberError, numberSd, type Scale, scaleOf } from './likelihood';
export {
  askedKey,
  chainKey,
  type Episode,
  episodeKey,
  type Evidence,
  type EvidenceItem,
  FIRST_EPISODE,
  type Observation,
  type Question,
  questionKey,
} from './observation';
export { answersOf, equal, METER_SETTLES, predict, type Prediction, readsOpen } from './predict';
export { answerShows, atTerminal, commonNets, CONTRADICTS, isAbout, looksAt } from './relevance';
export { isDead, levelOf, type VoltsRange, voltsRangeOf, voltsSd } from './volts-range';
