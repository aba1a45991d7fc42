import { useQuery } from '@tanstack/react-query';
import { api, unwrap, type Wish } from '../api/client';
import { useChange } from '../api/useChange';

/** Ten years of a tree, three ways. */
export const useOutlook = (treeId: number) =>
  useQuery({
    queryKey: ['judgement', treeId, 'outlook'],
    queryFn: async () =>
      unwrap(await api.GET('/api/trees/{treeId}/outlook', { params: { path: { treeId } } })),
  });

/** Plans with other wishes that stand beside a tree's own. */
export const useWhatIfs = (treeId: number) =>
  useQuery({
    queryKey: ['judgement', treeId, 'what-ifs'],
    queryFn: async () =>
      unwrap(await api.GET('/api/trees/{treeId}/what-ifs', { params: { path: { treeId } } })),
  });

export const useAddWhatIf = (treeId: number) =>
  useChange(async (body: { name: string; wish: Wish }) =>
    unwrap(await api.POST('/api/trees/{treeId}/what-ifs', { params: { path: { treeId } }, body })),
  );

export const useRemoveWhatIf = (treeId: number) =>
  useChange(async (id: number) =>
    unwrap(await api.DELETE('/api/trees/{treeId}/what-ifs/{id}', { params: { path: { treeId, id } } })),
  );
