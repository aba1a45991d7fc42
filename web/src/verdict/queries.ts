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
