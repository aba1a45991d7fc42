import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useChange } from '../api/useChange';
import { api, type Judgement, type PlanWishes, unwrap } from '../api/client';

interface Change {
  /** Of the plan that was looked at. */
  version: number;
  edits: PlanWishes;
  /** What it will look like, shown until the server has answered. */
  guess?: Judgement;
}

/** Changes a plan by hand: sends all that is wanted and shows the plan made anew round it. One change goes after another. */
export const useEditPlan = (treeId: number) => {
  const queries = useQueryClient();
  const key = ['judgement', treeId];
  const mutationKey = ['plan', treeId];
  const more = () => queries.isMutating({ mutationKey }) > 1;
  return useMutation({
    mutationKey,
    scope: { id: 'plan-' + treeId },
    mutationFn: async ({ edits, version: seen }: Change) => {
      // As it stands when its turn comes: the change before it has made a version of its own.
      const version = queries.getQueryData<Judgement>(key)?.planVersion ?? seen;
      const body = { version, edits };
      return unwrap(await api.PUT('/api/trees/{treeId}/plan', { params: { path: { treeId } }, body }));
    },
    onMutate: async ({ guess }) => {
      if (!guess) return;
      await queries.cancelQueries({ queryKey: key, exact: true });
      queries.setQueryData(key, guess);
    },
    onSuccess: (judgement) => {
      // The answer is the judgement itself. Of what else hangs on it only the years ahead stand beside the plan and are
      // asked for at once; the rest is when somebody comes to it.
      if (more()) {
        queries.setQueryData<Judgement>(key, (now) => now && { ...now, planVersion: judgement.planVersion });
        return;
      }
      queries.setQueryData(key, judgement);
      void queries.invalidateQueries({
        predicate: (query) => query.queryKey[0] !== 'judgement' || query.queryKey[1] !== treeId,
        refetchType: 'none',
      });
      void queries.invalidateQueries({
        predicate: (query) => query.queryKey[0] === 'judgement' && query.queryKey.length > 2,
      });
    },
    // Somebody else was quicker: their plan is fetched and shown, and the move can be made again on it.
    onError: () => void queries.invalidateQueries({ queryKey: key }),
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
