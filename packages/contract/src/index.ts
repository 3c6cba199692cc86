/**
 * Contract: what the server and its clients say to each other, declared once. One file for each resource; types, checks,
 * the documented JSON Schema and the client all come from here. Nothing in this face needs the validator.
 */
export { calls, callEvent, type CallHead, type CallSummary } from './calls';
export type { AnyEndpoint, Replied, Sent } from './endpoint';
export { machines, type Machine, type NewMachine, type Wires } from './machines';
export { profiles, type ProfileSummary, type WholeProfile } from './profiles';
export { session, type Me } from './session';
export { CONTRACT, contractSchema, type Contract } from './contract';
