/**
 * Standards: how a shop tests. Limits that differ from school to school, and every assumption of ours with its reason.
 */
export { type School, USUAL_SCHOOL } from './testing-standard';
