import { useQuery } from '@tanstack/react-query';
import { api, type RemovalData, unwrap } from '../api/client';
import { useChange } from '../api/useChange';

export const useRemovals = (siteId: number) =>
  useQuery({
    queryKey: ['removals', siteId],
    queryFn: async () =>
      unwrap(await api.GET('/api/sites/{siteId}/removals', { params: { path: { siteId } } })),
  });

export const useRemove = (treeId: number) =>
  useChange(async (body: { version: number; data: RemovalData }) =>
    unwrap(await api.PUT('/api/trees/{treeId}/removal', { params: { path: { treeId } }, body })),
  );

export const useStandsAfterAll = (treeId: number) =>
  useChange(async (version: number) =>
    unwrap(
      await api.DELETE('/api/trees/{treeId}/removal', { params: { path: { treeId }, query: { version } } }),
    ),
  );
