import type { QueryClient } from '@tanstack/react-query';

/** An account was changed: who works here and what was done are read again. */
export const refreshed = async (queries: QueryClient): Promise<void> => {
  await Promise.all(['people', 'audit'].map((key) => queries.invalidateQueries({ queryKey: [key] })));
};
