/**
 * Inference: hypotheses from the profile's faults, what they predict, and how likely they are under the evidence; pairs of
 * faults when single ones explain badly.
 */
export {
  hypothesesOf,
  type Hypothesis,
  type HypothesisIndex,
  predicts,
  type RateFactors,
  waysOfFailing,
} from './hypothesis';
export { seedPairs } from './pairs';
export { fitEvidence, type ItemFit, posterior, uninformed } from './posterior';
export { type Repair, repairOf } from './repair';
export { inHindsight } from './repair-history';
export { Traces } from './traces';
export { Weighing } from './weighing';
