import { useQuery } from '@tanstack/react-query';
import { api, unwrap } from '../api/client';

/** Ten years of a tree, three ways. */
export const useOutlook = (treeId: number) =>
  useQuery({
    queryKey: ['judgement', treeId, 'outlook'],
    queryFn: async () =>
      unwrap(await api.GET('/api/trees/{treeId}/outlook', { params: { path: { treeId } } })),
  });
