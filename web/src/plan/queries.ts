import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useChange } from '../api/useChange';
import { api, type PlanWishes, unwrap } from '../api/client';

/** Changes a plan by hand: sends all that is wanted and shows the plan made anew round it. */
export const useEditPlan = (treeId: number) => {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async (body: { version: number; edits: PlanWishes }) =>
      unwrap(await api.PUT('/api/trees/{treeId}/plan', { params: { path: { treeId } }, body })),
    onSuccess: (judgement) => {
      // The answer is the judgement itself. Of what else hangs on it only the years ahead stand beside the plan and are
      // asked for at once; the rest is when somebody comes to it.
      queries.setQueryData(['judgement', treeId], judgement);
      void queries.invalidateQueries({
        predicate: (query) => query.queryKey[0] !== 'judgement' || query.queryKey[1] !== treeId,
        refetchType: 'none',
      });
      void queries.invalidateQueries({
        predicate: (query) => query.queryKey[0] === 'judgement' && query.queryKey.length > 2,
      });
    },
    // Somebody else was quicker: their plan is fetched and shown, and the move can be made again on it.
    onError: () => void queries.invalidateQueries({ queryKey: ['judgement', treeId] }),
  });
};

/** Keeps the plan as it would be made now. */
export const useKeepPlan = (treeId: number) =>
  useChange(async (version: number) =>
    unwrap(
      await api.POST('/api/trees/{treeId}/plan/kept', { params: { path: { treeId } }, body: { version } }),
    ),
  );

/** Every plan of a tree that was kept. */
export const usePlanVersions = (treeId: number, wanted: boolean) =>
  useQuery({
    queryKey: ['plans', treeId],
    enabled: wanted,
    queryFn: async () => unwrap(await api.GET('/api/trees/{treeId}/plans', { params: { path: { treeId } } })),
  });
