/**
 * Diagnosis: model-based. Hypotheses from the profile's faults, predictions from simulated traces, likelihoods of what was
 * seen and measured, the next test by information per minute, proof by structure, explanation in sentences.
 */
export { Engine, ENGINE_VERSION, synthesise, type Assessment, type Situation, type Suspect } from './engine';
export { coverage, type Coverage } from './coverage';
export { explain, type Reason } from './explain';
export type { Hypothesis, Weights } from './hypothesis';
export type { RankedTest, TestOutcome } from './next-test';
export {
  episodeKey,
  questionKey,
  type Episode,
  type Evidence,
  type EvidenceItem,
  type Observation,
  type Question,
} from './observation';
export { answersOf, predict, type Prediction } from './predict';
export { terminals, type Proof } from './proof';
export { cautionsFor, DANGER_WORDS, mayPropose, type Danger, type Role } from './safety';
export { mayBypass, setupFor, type Intervention, type Test } from './tests';
export {
  answerWords,
  codeWords,
  instruction,
  netWords,
  observationWords,
  OUTCOME_WORDS,
  partWords,
  predictionWords,
  questionTitle,
  questionWords,
} from './wording';
