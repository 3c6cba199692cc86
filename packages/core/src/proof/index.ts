/**
 * Proof: by structure, never by probability. What condemns a part, which rivals still stand, and the cheapest tests that
 * would settle it.
 */
export type { Requirement, RequirementName } from './checklist';
export { ExpectedFinding } from './expected-finding';
export { NO_PROOF, planProof, type ProofPlan } from './proof-plan';
export { contradiction, type Proof, proofDebt, prove } from './proof';
