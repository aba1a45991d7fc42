import { useQuery } from '@tanstack/react-query';
import { api, unwrap } from '../api/client';

/** All that is taken along to walk a site; the phone keeps it for when there is no signal. */
export const useFieldPack = (siteId: number) =>
  useQuery({
    queryKey: ['field', siteId],
    queryFn: async () => unwrap(await api.GET('/api/sites/{siteId}/field', { params: { path: { siteId } } })),
  });

/** The newest of one tree, for looking at beside one's own. */
export const useFieldTree = (treeId: number, wanted: boolean) =>
  useQuery({
    queryKey: ['field-tree', treeId],
    enabled: wanted,
    queryFn: async () => unwrap(await api.GET('/api/trees/{treeId}/field', { params: { path: { treeId } } })),
  });
