import { useQuery } from '@tanstack/react-query';
import { api, unwrap } from '../api/client';

/** Photos of a tree, newest first. */
export const usePhotos = (treeId: number) =>
  useQuery({
    queryKey: ['photos', treeId],
    queryFn: async () =>
      unwrap(await api.GET('/api/trees/{treeId}/photos', { params: { path: { treeId } } })),
  });
