import type { CallSummary } from '@zetalysis/contract';
import { callbacksAmong } from '@zetalysis/core/history';
import { endingWith } from '@zetalysis/core/rules';
import { capital } from '@zetalysis/core/units';
import type { Overview } from '@zetalysis/core/visit';

/** How a closed call ended, in words. */
export const endedWords = ({ ending, record }: Pick<Overview, 'ending' | 'record'>): string =>
  endingWith(ending ?? '')?.title ?? record?.standing ?? 'Closed';

/** What broke and how, as it was recorded; nothing where nothing was. */
export const breakWords = ({ record }: Pick<Overview, 'record'>): string | undefined =>
  record ? `${capital(record.title)}: ${record.failure}` : undefined;

/** Which of a machine's calls came back from which. */
export const callbacksOf = (calls: readonly CallSummary[]): ReturnType<typeof callbacksAmong> =>
  callbacksAmong(calls.map(({ id, openedAt, overview: { ending } }) => ({ id, openedAt, ending })));
