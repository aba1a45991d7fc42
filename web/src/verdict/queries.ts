import { useQuery } from '@tanstack/react-query';
import { api, unwrap } from '../api/client';
import { useChange } from '../api/useChange';

export const useJudgement = (treeId: number, surveyed: boolean) =>
  useQuery({
    queryKey: ['judgement', treeId],
    enabled: surveyed,
    queryFn: async () =>
      unwrap(await api.GET('/api/trees/{treeId}/judgement', { params: { path: { treeId } } })),
  });

export const useSurveys = (treeId: number, wanted = true) =>
  useQuery({
    queryKey: ['surveys', treeId],
    enabled: wanted,
    queryFn: async () =>
      unwrap(await api.GET('/api/trees/{treeId}/surveys', { params: { path: { treeId } } })),
  });

export const useHistory = (treeId: number) =>
  useQuery({
    queryKey: ['history', treeId],
    queryFn: async () =>
      unwrap(await api.GET('/api/trees/{treeId}/history', { params: { path: { treeId } } })),
  });

export const useOpinions = (treeId: number) =>
  useQuery({
    queryKey: ['opinions', treeId],
    queryFn: async () =>
      unwrap(await api.GET('/api/trees/{treeId}/opinions', { params: { path: { treeId } } })),
  });

interface Verdict {
  verdict: string;
  note?: string;
}

/** Keeps what the person thinks of a limb. */
export const useThink = (treeId: number) =>
  useChange(async ({ limb, body }: { limb: string; body: Verdict }) =>
    unwrap(
      await api.PUT('/api/trees/{treeId}/limbs/{limb}/opinion', { params: { path: { treeId, limb } }, body }),
    ),
  );

/** Decides about a limb, or leaves it to the rules again. */
export const useDecide = (treeId: number) =>
  useChange(async ({ limb, version, to }: { limb: string; version: number; to: Verdict | null }) => {
    const path = { treeId, limb };
    return unwrap(
      to
        ? await api.PUT('/api/trees/{treeId}/limbs/{limb}/decision', {
            params: { path },
            body: { version, ...to },
          })
        : await api.DELETE('/api/trees/{treeId}/limbs/{limb}/decision', {
            params: { path, query: { version } },
          }),
    );
  });
