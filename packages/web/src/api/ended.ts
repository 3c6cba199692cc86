import { endingWith } from '@zetalysis/core/rules';
import type { Overview } from '@zetalysis/core/visit';

/** How a closed call ended, in words. */
export const endedWords = ({ ending, record }: Pick<Overview, 'ending' | 'record'>): string =>
  endingWith(ending ?? '')?.title ?? record?.standing ?? 'Closed';
