/** Rules: who somebody is, and what stops all work. Pure functions and data over facts. */
export { bypassLimit } from './bypass-limit';
export { type Danger, DANGERS } from './danger';
export type { Role } from './role';
