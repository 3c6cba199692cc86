import { useMutation, type UseMutationResult, useQueryClient } from '@tanstack/react-query';
import type { Machine } from '@zetalysis/contract';

/** Changes a machine of the register; whatever shows it is asked for anew. */
export function useMachineChange<Given>(
  machine: Machine,
  change: (given: Given) => Promise<Machine>,
  onDone: () => void,
): UseMutationResult<Machine, Error, Given> {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: change,
    onSuccess: async () => {
      // Another one may be the same machine now: its life is another.
      await Promise.all(
        [['machines'], ['machine', machine.id], ['changes', machine.id], ['life'], ['readings']].map((queryKey) =>
          queries.invalidateQueries({ queryKey }),
        ),
      );
      onDone();
    },
  });
}
