import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Problem } from './client';

/** A change; whatever shows anywhere is asked for anew once it is made, or once somebody else was quicker. */
export function useChange<In, Out>(change: (input: In) => Promise<Out>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: change,
    onSuccess: () => queries.invalidateQueries(),
    onError: (refused) => {
      if (refused instanceof Problem && refused.status === 409) void queries.invalidateQueries();
    },
  });
}
