import type { PartIndex } from '../profile';
import { NORMAL_SETUP, type Setup, setupKey } from './setup';

/** One stretch of time with one setup. Parts repaired before it are sound in it, as far as the repair was good. */
export interface Episode {
  readonly setup: Setup;
  readonly repaired: readonly PartIndex[];
  /** Those of them whose new part was measured good before it was fitted. */
  readonly measured?: readonly PartIndex[];
}

/** How a visit begins: everything on and in place, nothing repaired. */
export const FIRST_EPISODE: Episode = { setup: NORMAL_SETUP, repaired: [] };

/** A key that is equal for episodes that look the same to the appliance. */
export function episodeKey(episode: Episode): string {
  return `${setupKey(episode.setup)}/${[...episode.repaired].sort((a, b) => a - b).join(',')}`;
}

/** The same for a chain of episodes. */
export const chainKey = (chain: readonly Episode[]): string => chain.map(episodeKey).join('>');
