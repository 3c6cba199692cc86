/**
 * Profile: one appliance family as data. Reads the YAML, applies a variant, checks every name, unit and expression, and
 * compiles it to the indexed Model the engine runs on.
 */
export { type Build, buildKey, PLAIN, withVariant } from './build';
export { checkStructure } from './check-structure';
export { type Data, type DataMap, formatProblem, isMap, type Problem, ProblemError, SourceFile } from './document';
export type { Expression, Scope, Source } from './expression/expression';
export { Fields, type Path } from './fields';
export { IDENTIFY, type Identity, mayBe } from './identify';
export { type LoadOptions, loadProfile } from './load';
export {
  type Ask,
  type Branch,
  type Controller,
  ENV,
  findNet,
  findPart,
  findPhase,
  type Level,
  type Look,
  type Model,
  type Part,
  type Phase,
  type Quantity,
  type Region,
  replacedWith,
  type Transition,
} from './model';
export { AS_IT_STANDS, asIndex, type Index, type NetIndex, type PartIndex, type PhaseIndex } from './indices';
export { unknownName } from './nearest';
export { ordersOfProfile, variantsOf } from './read-variants';
