/**
 * Profile: one appliance family as data. Reads the YAML, applies a variant, checks every name, unit and expression, and
 * compiles it to the indexed Model the engine runs on.
 */
export * from './model';
export { IDENTIFY, mayBe, type Identity } from './identify';
export { checkStructure } from './check-structure';
export { loadProfile, PROFILE_FORMAT, variantsOf, type LoadOptions } from './load';
export { formatProblem, isMap, ProblemError, SourceFile, type Data, type DataMap, type Problem } from './document';
export { nearest, unknownName } from './nearest';
export type { Comparison, Expression, Scope, Source, Voltmeter } from './expression';
export { Fields, type Path } from './fields';
