import { useQuery } from '@tanstack/react-query';
import { api, unwrap } from '../api/client';

export const useJudgement = (treeId: number, surveyed: boolean) =>
  useQuery({
    queryKey: ['judgement', treeId],
    enabled: surveyed,
    queryFn: async () =>
      unwrap(await api.GET('/api/trees/{treeId}/judgement', { params: { path: { treeId } } })),
  });

export const useSurveys = (treeId: number) =>
  useQuery({
    queryKey: ['surveys', treeId],
    queryFn: async () =>
      unwrap(await api.GET('/api/trees/{treeId}/surveys', { params: { path: { treeId } } })),
  });

export const useHistory = (treeId: number) =>
  useQuery({
    queryKey: ['history', treeId],
    queryFn: async () =>
      unwrap(await api.GET('/api/trees/{treeId}/history', { params: { path: { treeId } } })),
  });

/** Whether live wood of a tree may be cut on a day; asked once a day is given. */
export const useMayCut = (treeId: number, on: string) =>
  useQuery({
    queryKey: ['may-cut', treeId, on],
    enabled: on !== '',
    queryFn: async () =>
      unwrap(await api.GET('/api/trees/{treeId}/season', { params: { path: { treeId }, query: { on } } })),
    placeholderData: (before) => before,
  });
