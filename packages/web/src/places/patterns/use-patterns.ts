import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { PatternsFilter, PatternsStanding } from '@zetalysis/contract';
import type { AdviceFigure } from '@zetalysis/core/book';
import { useEffect } from 'react';
import { useSearchParams } from 'react-router';
import { http } from '../../api/http';

/** What the calls of a figure have in common stands in the address, so that it can be sent to somebody. */
const KEYS = ['profile', 'make', 'site', 'age', 'person', 'from', 'until'] as const;

export function useFilter(): readonly [
  PatternsFilter,
  (change: Partial<Record<(typeof KEYS)[number], string>>) => void,
] {
  const [query, setQuery] = useSearchParams();
  const filter = Object.fromEntries(KEYS.flatMap((key) => (query.get(key) ? [[key, query.get(key)!]] : [])));
  const change = (changed: Partial<Record<(typeof KEYS)[number], string>>): void =>
    setQuery(
      (before) => {
        for (const [key, value] of Object.entries(changed))
          if (value === '') before.delete(key);
          else before.set(key, value);
        return before;
      },
      { replace: true },
    );
  return [filter, change];
}

const STANDING = ['patterns'];

/** What the book holds; closed calls that are not in it yet are read while somebody looks. */
export function useStanding(): {
  readonly standing: PatternsStanding | undefined;
  readonly problem: string | undefined;
} {
  const queries = useQueryClient();
  const standing = useQuery({ queryKey: STANDING, queryFn: () => http('GET /patterns') });
  const read = useMutation({
    mutationFn: () => http('POST /patterns/read'),
    // A busy server answers late, and has read some all the same.
    retry: 5,
    retryDelay: 4000,
    onSuccess: async (now) => {
      const first = queries.getQueryData<PatternsStanding>(STANDING);
      queries.setQueryData(STANDING, now);
      // Figures follow now and then, not with each handful of calls.
      if (now.unread === 0 || Math.floor(now.calls / 60) !== Math.floor((first?.calls ?? 0) / 60))
        await queries.invalidateQueries({ queryKey: ['book'] });
    },
  });
  const { mutate, isPending, isError } = read;
  const unread = standing.data?.unread ?? 0;
  useEffect(() => {
    if (unread > 0 && !isPending && !isError) mutate();
  }, [unread, isPending, isError, mutate]);
  return { standing: standing.data, problem: (standing.error ?? read.error)?.message };
}

const kept = { placeholderData: keepPreviousData } as const;

export const useBreaks = (filter: PatternsFilter) =>
  useQuery({
    queryKey: ['book', 'breaks', filter],
    queryFn: () => http('GET /patterns/breaks', { query: filter }),
    ...kept,
  });

export const RATES_KEY = ['book', 'rates'];
export const useRates = () => useQuery({ queryKey: RATES_KEY, queryFn: () => http('GET /rates'), ...kept });

export const useAdvice = (filter: PatternsFilter, whose: 'mine' | 'shop') =>
  useQuery({
    queryKey: ['book', 'advice', whose, filter],
    queryFn: () => http('GET /patterns/advice', { query: { ...filter, whose } }),
    ...kept,
  });

export const useTrends = (filter: PatternsFilter) =>
  useQuery({
    queryKey: ['book', 'trends', filter],
    queryFn: () => http('GET /patterns/trends', { query: filter }),
    ...kept,
  });

/** What a figure is made of. */
export interface Behind {
  readonly title: string;
  readonly part?: string;
  readonly cause?: string;
  readonly way?: string;
  readonly test?: string;
  readonly figure?: AdviceFigure;
  readonly profile?: string;
  readonly person?: string;
  readonly from?: string;
  readonly until?: string;
}

export const useCases = (filter: PatternsFilter, { title: _title, ...asked }: Behind) =>
  useQuery({
    queryKey: ['book', 'cases', filter, asked],
    queryFn: () => http('GET /patterns/cases', { query: { ...filter, ...asked } }),
  });
