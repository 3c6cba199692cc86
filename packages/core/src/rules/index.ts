/**
 * Rules: stops, needs, bypass limits, resets, endings, proof lists and rights, as data and pure functions over what happened
 * in a call. They know no appliance, no clock and no screen; their sentences are the ones that the screen shows.
 */
export { isForbidden, offBy, overdue } from './bypasses';
export { claimWords } from './claim-words';
export type { Circumstances, Placed, Pressed, Standing, TemporaryKind } from './circumstances';
export { TEMPORARY_KINDS } from './circumstances';
export {
  type Ending,
  ENDING_LIST,
  type EndingId,
  ENDINGS,
  asksOf,
  closingProblems,
  endingWith,
  isDone,
  openDots,
  openLines,
  type Requirement,
  requirementsOf,
} from './endings';
export { type Fact, factProblem, FACTS, type FactValue, factWith } from './facts';
export { appliesTo, FAMILIES, type Family, familyNamed, hasGas, hasPower } from './family';
export { follow, METER_AFTER } from './follow';
export type { Claim, Followed, Mark, StandingStop, Terms } from './followed';
export type { Happening, Jumper, What } from './happening';
export { type Need, NEED_IDS, needOf, NEEDS, needSentence, needsOf, waitLeft, WORK_IDS, workOf, WORKS } from './needs';
export { ALLOWED, type DeclaredStop, OWN_ENDERS, OWN_GRADES } from './own-stops';
export {
  CONDEMNING,
  isDotted,
  lineProblem,
  PROOF_LIST_IDS,
  type ProofLine,
  proofListOf,
  type ProofList,
  proofListsFor,
  proofLineWith,
  type Range,
  rangeOf,
  STAY,
  touchesOf,
  type Typed,
} from './proof-lists';
export { resetNeeds, RESETS_COUNT_FOR, resetVerdict } from './resets';
export { type Action, can, type Right, type State } from './rights';
export { type Authority, EVERYTHING, type Grant, GRANTS, type Role, ROLES, TRAINED } from './role';
export {
  bypassLimit,
  isNeverBypassed,
  mayBypassBurning,
  RINGS_AT,
  SAFETIES,
  type Safety,
  SAFETY_KINDS,
  safetyOf,
} from './safeties';
export {
  type Allowed,
  type Ender,
  type Evidence,
  evidenceFor,
  type Grade,
  type Limits,
  LIMITS,
  type Order,
  ordersFor,
  type Stop,
  STOPS,
  stopWith,
  tightened,
} from './stops';
export { missingEvidence } from './stop-evidence';
export { offer, type Offer, unmet, type Wanted } from './offer';
export { minutesFired, minutesStayed, stayMinutes } from './stay';
export { type TelephoneQuestion, telephoneList, telephoneQuestion } from './telephone';
export { keepsGasOff, undoFirst, WHILE_TEMPORARY } from './temporary';
