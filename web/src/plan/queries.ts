import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, type Pin, unwrap } from '../api/client';

/** What the plans of a site ask for by year and season. */
export const usePlanBySeason = (siteId: number) =>
  useQuery({
    queryKey: ['plan-by-season', siteId],
    queryFn: async () => unwrap(await api.GET('/api/sites/{siteId}/plan', { params: { path: { siteId } } })),
  });

/** Moves cuts: sends all that was moved by hand and shows the plan made anew round it. */
export const useMovePlan = (treeId: number) => {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async (body: { version: number; pins: Pin[] }) =>
      unwrap(await api.PUT('/api/trees/{treeId}/plan', { params: { path: { treeId } }, body })),
    onSuccess: (judgement) => {
      queries.setQueryData(['judgement', treeId], judgement);
      void queries.invalidateQueries({ predicate: (query) => query.queryKey[0] !== 'judgement' });
    },
    // Somebody else was quicker: their plan is fetched and shown, and the move can be made again on it.
    onError: () => void queries.invalidateQueries({ queryKey: ['judgement', treeId] }),
  });
};
