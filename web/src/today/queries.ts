import { queryOptions, useQuery } from '@tanstack/react-query';
import { api, unwrap } from '../api/client';

export const boardQuery = (siteId: number) =>
  queryOptions({
    queryKey: ['today', siteId],
    queryFn: async () => unwrap(await api.GET('/api/sites/{siteId}/today', { params: { path: { siteId } } })),
  });
export const useBoard = (siteId: number) => useQuery(boardQuery(siteId));

export const useTimeline = (treeId: number) =>
  useQuery({
    queryKey: ['timeline', treeId],
    queryFn: async () =>
      unwrap(await api.GET('/api/trees/{treeId}/timeline', { params: { path: { treeId } } })),
  });
