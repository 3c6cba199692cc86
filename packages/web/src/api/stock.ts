import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { KeptItem, StockItem, StockMove } from '@zetalysis/contract';
import { http } from './http';

const STOCK = ['stock'];

/** Every part that the shop keeps. */
export const useStock = () => useQuery({ queryKey: STOCK, queryFn: () => http('GET /stock'), refetchInterval: 60_000 });

/** Moves units between shelf and vans, in and out. */
export function useMoves() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (moves: readonly StockMove[]) => http('POST /stock/moves', { body: { moves: [...moves] } }),
    onSuccess: (items) => queries.setQueryData(STOCK, items),
  });
}

/** How somebody writes an item: a new one, or one that is there. */
export interface Writing {
  readonly id: string | undefined;
  readonly item: StockItem;
  /** As few as may lie on the shelf, where that changes. */
  readonly least: number | undefined;
}

export function useWriting() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async ({ id, item, least }: Writing): Promise<KeptItem> => {
      const kept =
        id === undefined
          ? await http('POST /stock', { body: item })
          : await http('PUT /stock/:id', { params: { id }, body: item });
      if (least === undefined) return kept;
      return http('PUT /stock/:id/least', { params: { id: kept.id }, body: { place: 'shelf', least } });
    },
    onSuccess: () => queries.invalidateQueries({ queryKey: STOCK }),
  });
}

/** Those whose vans there are. */
export function useVans() {
  const people = useQuery({ queryKey: ['people'], queryFn: () => http('GET /people') });
  return (people.data ?? []).filter((p) => !p.disabled && p.role !== 'admin');
}
