/**
 * Diagnosis: model-based. Hypotheses from the profile's faults, predictions from simulated traces, likelihoods of what was
 * seen and measured, the next test by information per minute, proof by structure, explanation in sentences.
 */
export { Engine, ENGINE_VERSION, type Assessment, type Situation, type Suspect } from './engine';
export { COMPLAINT_IDS, COMPLAINTS, type Complaint } from './complaint';
export { coverage, type Coverage } from './coverage';
export { proofOutlook, watchedTry, type DecidingLook, type ProofOutlook } from './proof-outlook';
export { explain, type Reason } from './explain';
export { findReadings, parseSought, type Found, type Sought } from './find-readings';
export { followed } from './followed';
export { synthesise } from './foreteller';
export { guideOf, type FaultGuide, type Guide } from './guide';
export { byTelephone, partsToCarry, telephoneQuestions, type Carried } from './triage';
export { MOST_TO_PLAN, planMinutes, type PlannedTest } from './plan';
export { predicts, type Hypothesis, type Weights } from './hypothesis';
export { rankTests, type RankedTest, type Ranking, type TestOutcome } from './next-test';
export {
  askedKey,
  episodeKey,
  FIRST_EPISODE,
  questionKey,
  type Episode,
  type Evidence,
  type EvidenceItem,
  type Observation,
  type Question,
} from './observation';
export { seedPairs } from './pairs';
export { fitEvidence, type ItemFit } from './posterior';
export { lookError, numberError } from './likelihood';
export { answersOf, predict, readsOpen, type Prediction } from './predict';
export { contradiction, terminals, type Proof } from './proof';
export { commonNets } from './touch';
export { Traces, type Lived } from './traces';
export { cautionsFor, DANGER_WORDS, goesRoundSafety, mayPropose, type Danger, type Role } from './safety';
export { isolated, mayBypass, minutesFor, setupFor, type Intervention, type Test } from './tests';
export {
  answerWords,
  codeWords,
  instruction,
  netWords,
  observationWords,
  OUTCOME_WORDS,
  partWords,
  inBrief,
  predictionWords,
  provesWords,
  questionTitle,
  testTitle,
  questionWords,
  gaugeReading,
  voltsReading,
} from './wording';
