import { useMutation, useQueryClient } from '@tanstack/react-query';

/** A change; whatever shows anywhere is asked for anew once it is made. */
export function useChange<In, Out>(change: (input: In) => Promise<Out>) {
  const queries = useQueryClient();
  return useMutation({ mutationFn: change, onSuccess: () => queries.invalidateQueries() });
}
