import { type QueryClient, useMutation, useQueryClient } from '@tanstack/react-query';
import { type Judging, Problem } from './client';

/** Says that trees are about to be judged anew: however soon they are, lists are asked for once more then. */
export const expectJudging = (queries: QueryClient, siteId?: number) =>
  queries.setQueriesData(
    { queryKey: siteId === undefined ? ['judging'] : ['judging', siteId] },
    (known: Judging | undefined) => known && { ...known, waiting: Math.max(1, known.waiting) },
  );

/**
 * A change; whatever shows anywhere is asked for anew once it is made, or once somebody else was quicker.
 *
 * @param judges the site whose trees it has judged anew, in their turn
 */
export function useChange<In, Out>(change: (input: In) => Promise<Out>, judges?: number) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: change,
    onSuccess: () => {
      if (judges !== undefined) expectJudging(queries, judges);
      return queries.invalidateQueries();
    },
    onError: (refused) => {
      if (refused instanceof Problem && refused.status === 409) void queries.invalidateQueries();
    },
  });
}
