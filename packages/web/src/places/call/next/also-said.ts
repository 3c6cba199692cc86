import type { Display } from '@zetalysis/core/instruments';
import type { AlsoSaid } from './use-entry';

/** What goes into an entry besides the number that was shown. */
export function alsoSaid({ function: set }: Display, by: string, turns: number): AlsoSaid {
  const clamp = set === 'a-dc' ? 'dc' : set === 'a-ac' ? 'ac' : undefined;
  return {
    by,
    ...(set === 'v-ac-low' && { meter: 'low-impedance' }),
    ...(clamp !== undefined && { clamp, turns }),
  };
}
