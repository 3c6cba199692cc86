import { useQuery, useQueryClient, type UseQueryResult } from '@tanstack/react-query';
import type { Machine } from '@zetalysis/contract';
import type { ReadingsView } from '@zetalysis/core/presentation';
import type { UnitSystem } from '@zetalysis/core/units';
import { http } from '../api/http';
import { entriesQuery } from '../api/queries';
import { holdEngine } from './client';

/** What was read on a machine over the years, what slides first; by the machine as it is built now. */
export function useReadings({ id, profile, build }: Machine, units: UnitSystem): UseQueryResult<ReadingsView[]> {
  const queries = useQueryClient();
  return useQuery({
    queryKey: ['readings', id, build, units],
    queryFn: async () => {
      const [entries, kept] = await Promise.all([
        queries.fetchQuery(entriesQuery(id)),
        http('GET /limits', { query: { machine: id } }),
      ]);
      if (entries.length === 0) return [];
      const hold = holdEngine();
      try {
        const loaded = await hold.load(profile, undefined, build);
        return await loaded.readings(entries, kept, units);
      } finally {
        hold.release();
      }
    },
  });
}
